import { largestDistance } from '../../curve/hausdorff.js';
import { atMost, defineCondition, tolerance, withinDistance } from './define.js';

/** The curve has the shape that it had at the start, within a distance. */
export const shapeUnchanged = defineCondition(
  'shapeUnchanged',
  { tolerance },
  'length',
  (condition, now, start) => {
    if (now.curve === start.curve) return atMost(0, condition.tolerance);
    return withinDistance(largestDistance(now.curve, start.curve, condition.tolerance), condition.tolerance);
  },
  () => ({ tolerance: 0.001 }),
);
