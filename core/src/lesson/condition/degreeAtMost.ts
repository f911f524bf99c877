import { whole } from '../../describe/describe.js';
import { atMost, defineCondition } from './define.js';

/** The degree of the curve is at most a number. */
export const degreeAtMost = defineCondition(
  'degreeAtMost',
  { atMost: whole(1, 9) },
  'count',
  (condition, { curve }) => atMost(curve.degree, condition.atMost),
  ({ curve }) => ({ atMost: curve.degree }),
);
