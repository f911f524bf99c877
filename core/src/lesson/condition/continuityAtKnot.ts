import { measureContinuity } from '../../curve/continuity.js';
import { domainOf, relativeKnotTolerance, interiorKnots } from '../../curve/knotVector.js';
import { jointContinuities } from '../../curve/match.js';
import { signs } from '../../describe/describe.js';
import { parameter } from '../../figure/part/parts.js';
import { atLeast, defineCondition, notThere, orderReached } from './define.js';

/** At a knot the measured continuity is at least this; where there is no knot the curve is as smooth as any. */
export const continuityAtKnot = defineCondition(
  'continuityAtKnot',
  { parameter, continuity: signs(...jointContinuities) },
  'order',
  ({ parameter: u, continuity }, { curve }) => {
    const [start, end] = domainOf(curve.knots, curve.degree);
    if (!(u > start && u < end) && !curve.periodic) return notThere;
    const near = relativeKnotTolerance * (end - start);
    const [measured] = measureContinuity(curve, undefined, (knot) => Math.abs(knot - u) <= near);
    return measured ? orderReached(measured, continuity) : atLeast(curve.degree, Number(continuity[1]));
  },
  ({ curve }, cursor) => ({
    parameter: interiorKnots(curve.knots, curve.degree)[0]?.value ?? cursor,
    continuity: 'C1' as const,
  }),
);
