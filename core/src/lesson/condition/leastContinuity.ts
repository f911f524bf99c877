import { measureContinuity } from '../../curve/continuity.js';
import { jointContinuities } from '../../curve/match.js';
import { signs } from '../../describe/describe.js';
import { atLeast, defineCondition, orderReached } from './define.js';

/** At all its knots the measured continuity of the curve is at least this. */
export const leastContinuity = defineCondition(
  'leastContinuity',
  { continuity: signs(...jointContinuities) },
  'order',
  ({ continuity }, { curve }) =>
    measureContinuity(curve)
      .map((measured) => orderReached(measured, continuity))
      .reduce(
        (least, next) => (next.measured! < least.measured! ? next : least),
        atLeast(curve.degree, Number(continuity[1])),
      ),
  () => ({ continuity: 'G1' }) as const,
);
