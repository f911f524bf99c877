import { number } from '../../describe/describe.js';
import { index } from '../../figure/part/parts.js';
import { between, defineCondition, notThere } from './define.js';

/** The weight of a control point lies between two numbers. */
export const weightBetween = defineCondition(
  'weightBetween',
  { index, least: number({ unit: 'ratio' }), most: number({ unit: 'ratio' }) },
  'number',
  ({ index: point, least, most }, { curve }) =>
    point < curve.points.length ? between(curve.weights?.[point] ?? 1, least, most) : notThere,
  () => ({ index: 0, least: 1, most: 10 }),
);
