import { measureContinuity } from '../../curve/continuity.js';
import { domainOf } from '../../curve/knotVector.js';
import { continuityCalculation } from '../calculation/ofFacts.js';
import { unfolding, type FactMember } from './define.js';

/** The continuity at every knot: what its multiplicity guarantees, and what is measured. */
export const continuity: FactMember = unfolding(
  (curve) => ({
    kind: 'continuity',
    knots: measureContinuity(curve),
    degree: curve.degree,
    start: domainOf(curve.knots, curve.degree)[0],
  }),
  continuityCalculation,
);
