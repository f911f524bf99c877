import { lengthOfCurve } from '../../curve/length.js';
import { number } from '../../describe/describe.js';
import { between, defineCondition } from './define.js';

/** The arc length lies between two numbers. */
export const lengthBetween = defineCondition(
  'lengthBetween',
  { least: number({ unit: 'length', least: 0 }), most: number({ unit: 'length', least: 0 }) },
  'length',
  ({ least, most }, { curve }) => {
    return between(lengthOfCurve(curve, 1e-9), least, most);
  },
  ({ curve }) => {
    const length = lengthOfCurve(curve, 1e-9);
    return { least: Math.floor(length), most: Math.ceil(length) };
  },
);
