import { largestDistance } from '../../curve/hausdorff.js';
import { atMost, defineCondition, tolerance } from './define.js';

/** The curve has the shape that it had at the start, within a distance. */
export const shapeUnchanged = defineCondition(
  'shapeUnchanged',
  { tolerance },
  'length',
  (condition, now, start) => {
    if (now.curve === start.curve) return atMost(0, condition.tolerance);
    return atMost(largestDistance(now.curve, start.curve).distance, condition.tolerance);
  },
  () => ({ tolerance: 0.001 }),
);
