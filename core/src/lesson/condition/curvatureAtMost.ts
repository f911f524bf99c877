import { number } from '../../describe/describe.js';
import { atMost, defineCondition, largestCurvature } from './define.js';

/** The largest absolute curvature of the curve is at most a limit, in one over the unit. */
export const curvatureAtMost = defineCondition(
  'curvatureAtMost',
  { limit: number({ unit: 'curvature', least: 0 }) },
  'curvature',
  (condition, { curve }) => atMost(largestCurvature(curve), condition.limit),
  ({ curve }) => ({ limit: Number(largestCurvature(curve).toPrecision(2)) }),
);
