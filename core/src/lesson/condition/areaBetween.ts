import { number } from '../../describe/describe.js';
import { area } from '../../figure/fact/area.js';
import { between, defineCondition, notThere } from './define.js';

/** The area that the curve encloses lies between two numbers, in square units. */
export const areaBetween = defineCondition(
  'areaBetween',
  { least: number({ least: 0 }), most: number({ least: 0 }) },
  'area',
  ({ least, most }, { curve, item }) => {
    const fact = area(curve, item);
    return fact?.kind === 'number' ? between(fact.value, least, most) : notThere;
  },
  ({ curve, item }) => {
    const fact = area(curve, item);
    const now = fact?.kind === 'number' ? fact.value : 1000;
    return { least: Math.floor(now), most: Math.ceil(now) };
  },
);
