import { lengthOfCurve } from '../../curve/length.js';
import type { FactMember } from './define.js';

/** The arc length. */
export const length: FactMember = (curve) => ({
  kind: 'number',
  value: lengthOfCurve(curve),
  unit: 'length',
});
