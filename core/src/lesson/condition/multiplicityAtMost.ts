import { multiplicityAt } from '../../curve/knotVector.js';
import { whole } from '../../describe/describe.js';
import { parameter } from '../../figure/part/parts.js';
import { atMost, defineCondition } from './define.js';

/** A knot stands at a parameter at most so many times; with zero there is none. */
export const multiplicityAtMost = defineCondition(
  'multiplicityAtMost',
  { parameter, atMost: whole(0, 10) },
  'count',
  (condition, { curve }) => atMost(multiplicityAt(curve, condition.parameter), condition.atMost),
  (_, cursor) => ({ parameter: cursor, atMost: 0 }),
);
