import { lengthOfCurve } from '../../curve/length.js';
import { lengthCalculation } from '../calculation/ofFacts.js';
import { unfolding, type FactMember } from './define.js';

/** The arc length. */
export const length: FactMember = unfolding(
  (curve) => ({ kind: 'number', value: lengthOfCurve(curve), unit: 'length' }),
  lengthCalculation,
);
