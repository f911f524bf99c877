import { degree } from '../../figure/part/parts.js';
import { atMost, defineCondition } from './define.js';

/** The degree of the curve is at most a number. */
export const degreeAtMost = defineCondition(
  'degreeAtMost',
  { atMost: degree },
  'degree',
  (condition, { curve }) => atMost(curve.degree, condition.atMost),
  ({ curve }) => ({ atMost: curve.degree }),
);
