import { pointAt } from '../../curve/evaluate.js';
import { domainOf } from '../../curve/knotVector.js';
import { distance } from '../../curve/vector.js';
import { atMost, defineCondition, tolerance } from './define.js';

/** The first and the last place of the curve are one, within a distance. */
export const endsMeet = defineCondition(
  'endsMeet',
  { tolerance },
  'length',
  (condition, { curve }) => {
    const [start, end] = domainOf(curve.knots, curve.degree);
    return atMost(distance(pointAt(curve, start), pointAt(curve, end, 'left')), condition.tolerance);
  },
  () => ({ tolerance: 0.001 }),
);
