import { isRational } from '../../curve/curve.js';
import type { FactMember } from './define.js';

/** Rational or polynomial. */
export const rational: FactMember = (curve) => ({
  kind: 'word',
  word: isRational(curve) ? 'rational' : 'polynomial',
});
