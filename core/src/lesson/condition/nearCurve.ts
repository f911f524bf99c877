import { largestDistance } from '../../curve/hausdorff.js';
import { itemId } from '../../describe/describe.js';
import { curveOf } from '../../figure/evaluation/evaluate.js';
import { defineCondition, notThere, tolerance, otherCurve, withinDistance } from './define.js';

/** The curve lies within a distance of another one, and that one within it of the curve. */
export const nearCurve = defineCondition(
  'nearCurve',
  { target: itemId, tolerance },
  'length',
  (condition, { evaluation, curve }) => {
    const target = curveOf(evaluation, condition.target);
    if (!target) return notThere;
    return withinDistance(largestDistance(curve, target, condition.tolerance), condition.tolerance);
  },
  ({ document, item }) => ({ target: otherCurve(document, item), tolerance: 0.5 }),
);
