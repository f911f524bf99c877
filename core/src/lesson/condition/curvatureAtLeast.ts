import { sampleCurve } from '../../curve/sample.js';
import { number } from '../../describe/describe.js';
import { atLeast, defineCondition } from './define.js';

/** Somewhere the absolute curvature of the curve is at least this, in one over the unit. */
export const curvatureAtLeast = defineCondition(
  'curvatureAtLeast',
  { limit: number({ unit: 'curvature', least: 0 }) },
  'curvature',
  (condition, { curve }) => {
    const { curvature } = sampleCurve(curve, 64);
    return atLeast(
      curvature.reduce((largest, value) => Math.max(largest, Math.abs(value)), 0),
      condition.limit,
    );
  },
);
