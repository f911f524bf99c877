import { number } from '../../describe/describe.js';
import { atLeast, defineCondition, largestCurvature } from './define.js';

/** Somewhere the absolute curvature of the curve is at least this, in one over the unit. */
export const curvatureAtLeast = defineCondition(
  'curvatureAtLeast',
  { limit: number({ unit: 'curvature', least: 0 }) },
  'curvature',
  (condition, { curve }) => atLeast(largestCurvature(curve), condition.limit),
  ({ curve }) => ({ limit: Number(largestCurvature(curve).toPrecision(2)) }),
);
