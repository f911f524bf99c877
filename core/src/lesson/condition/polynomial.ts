import { isRational } from '../../curve/curve.js';
import { defineCondition, holds } from './define.js';

/** The weights of the curve don't matter: it has none, or all are equal. */
export const polynomial = defineCondition(
  'polynomial',
  {},
  'holds',
  (_, { curve }) => holds(!isRational(curve)),
  () => ({}),
);
