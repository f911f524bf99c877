import { hasSignedWeights } from '../../curve/betweenPoles.js';
import { interiorKnots } from '../../curve/knotVector.js';
import { curvatureAt, curvatureDerivativeAt } from '../../curve/differential.js';
import { dimensionOf, type Curve } from '../../curve/curve.js';
import { curvatureExtremes } from '../../curve/features.js';
import { beside } from './define.js';

/** How the size of the curvature changes by arc length on one side of a parameter. */
function slopeOfSize(curve: Curve, u: number, side: 'left' | 'right'): number {
  const sign = Math.sign(curvatureAt(curve, u, side) ?? 0);
  return sign * (curvatureDerivativeAt(curve, u, side) ?? 0);
}

/** How many peaks the curvature comb has: inside spans, and at knots where it rises before and falls after. */
export const combPeaks = beside('comb', (curve) => {
  if (dimensionOf(curve) !== 2 || hasSignedWeights(curve)) return undefined;
  const inside = curvatureExtremes(curve).filter(({ kind }) => kind === 'largest').length;
  const atKnots = interiorKnots(curve.knots, curve.degree).filter(
    ({ value }) => slopeOfSize(curve, value, 'left') > 0 && slopeOfSize(curve, value, 'right') < 0,
  ).length;
  return { kind: 'whole', value: inside + atKnots };
});
