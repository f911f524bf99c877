import { polesOf } from '../../curve/betweenPoles.js';
import type { Curve } from '../../curve/curve.js';
import { measureContinuity } from '../../curve/continuity.js';
import { domainOf } from '../../curve/knotVector.js';
import { continuityCalculation } from '../calculation/ofFacts.js';
import { beside, unfolding } from './define.js';

/** At a knot at which a curve runs to infinity there is nothing to measure. */
const isUnmeasured = (curve: Curve): boolean =>
  polesOf(curve).some(({ parameter }) => curve.knots.includes(parameter));

/** The continuity at every knot: what its multiplicity guarantees, and what is measured. */
export const continuity = beside(
  'curve',
  unfolding(
    (curve) =>
      isUnmeasured(curve)
        ? undefined
        : {
            kind: 'continuity',
            knots: measureContinuity(curve),
            degree: curve.degree,
            start: domainOf(curve.knots, curve.degree)[0],
          },
    (curve) => (isUnmeasured(curve) ? [] : continuityCalculation(curve)),
  ),
);
