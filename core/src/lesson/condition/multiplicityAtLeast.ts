import { multiplicityAt } from '../../curve/knotVector.js';
import { whole } from '../../describe/describe.js';
import { parameter } from '../../figure/part/parts.js';
import { atLeast, defineCondition } from './define.js';

/** A knot stands at a parameter, at least so many times. */
export const multiplicityAtLeast = defineCondition(
  'multiplicityAtLeast',
  { parameter, atLeast: whole(1, 10) },
  'count',
  (condition, { curve }) => atLeast(multiplicityAt(curve, condition.parameter), condition.atLeast),
  (_, cursor) => ({ parameter: cursor, atLeast: 1 }),
);
