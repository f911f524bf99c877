import { isRational } from '../../curve/curve.js';
import { defineCondition, holds } from './define.js';

/** The curve has weights that differ. */
export const rational = defineCondition(
  'rational',
  {},
  'holds',
  (_, { curve }) => holds(isRational(curve)),
  () => ({}),
);
