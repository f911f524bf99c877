import { degree } from '../../figure/part/parts.js';
import { atLeast, defineCondition } from './define.js';

/** The curve has at least this degree. */
export const degreeAtLeast = defineCondition(
  'degreeAtLeast',
  { atLeast: degree },
  'degree',
  (condition, { curve }) => atLeast(curve.degree, condition.atLeast),
  ({ curve }) => ({ atLeast: curve.degree }),
);
