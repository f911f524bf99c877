import { whole } from '../../describe/describe.js';
import { atLeast, defineCondition } from './define.js';

/** The curve has at least this degree. */
export const degreeAtLeast = defineCondition(
  'degreeAtLeast',
  { atLeast: whole(1, 9) },
  'count',
  (condition, { curve }) => atLeast(curve.degree, condition.atLeast),
  ({ curve }) => ({ atLeast: curve.degree }),
);
