import { list, number } from '../../describe/describe.js';
import { figureLimits } from '../../figure/part/parts.js';
import { atMost, defineCondition, notThere } from './define.js';

/** The knots are those of a list, within a number. */
export const knotsEqual = defineCondition(
  'knotsEqual',
  { knots: list(number(), figureLimits.points + 20), within: number({ unit: 'parameter', least: 0 }) },
  'number',
  ({ knots, within }, { curve }) => {
    if (knots.length !== curve.knots.length) return notThere;
    return atMost(Math.max(0, ...knots.map((knot, k) => Math.abs(knot - curve.knots[k]!))), within);
  },
  ({ curve }) => ({ knots: curve.knots, within: 1e-9 }),
);
