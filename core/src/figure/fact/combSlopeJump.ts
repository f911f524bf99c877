import { hasSignedWeights } from '../../curve/betweenPoles.js';
import { knotJumps } from '../../curve/continuity.js';
import { beside } from './define.js';

/** The largest jump of the slope of the curvature comb at a knot: what is seen there as a kink. */
export const combSlopeJump = beside('comb', (curve) => {
  if (hasSignedWeights(curve)) return undefined;
  const jumps = knotJumps(curve).map(({ curvatureDerivative }) => curvatureDerivative);
  const largest = Math.max(0, ...jumps.filter(Number.isFinite));
  // Below this share of what the curve's own size gives it is rounding.
  const size = Math.max(...curve.points.flat().map(Math.abs), Number.MIN_VALUE);
  return { kind: 'number', value: largest * size * size < 1e-9 ? 0 : largest, unit: 'curvatureSlope' };
});
