import { jointContinuities } from '../../curve/match.js';
import { itemId, signs } from '../../describe/describe.js';
import { jointsOf } from '../../figure/joint/joints.js';
import { defineCondition, notThere, orderReached, otherCurve } from './define.js';

/** The curve meets another one, with at least this continuity. */
export const continuityAtJoint = defineCondition(
  'continuityAtJoint',
  { other: itemId, continuity: signs(...jointContinuities) },
  'order',
  ({ other, continuity }, { document, evaluation, item }) => {
    const results = jointsOf(document, evaluation, (...two) =>
      two.every((id) => id === item.id || id === other),
    ).map(({ measured }) => orderReached(measured, continuity));
    // Where they meet at both ends, the better joint counts.
    return results.reduce((best, next) => (next.met || best.measured === null ? next : best), notThere);
  },
  ({ document, item }) => ({ other: otherCurve(document, item), continuity: 'G1' }) as const,
);
