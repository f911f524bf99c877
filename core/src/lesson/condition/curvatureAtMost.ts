import { sampleCurve } from '../../curve/sample.js';
import { number } from '../../describe/describe.js';
import { atMost, defineCondition } from './define.js';

/** The largest absolute curvature of the curve is at most a limit, in one over the unit. */
export const curvatureAtMost = defineCondition(
  'curvatureAtMost',
  { limit: number({ unit: 'curvature', least: 0 }) },
  'curvature',
  (condition, { curve }) => {
    const { curvature } = sampleCurve(curve, 64);
    return atMost(
      curvature.reduce((largest, value) => Math.max(largest, Math.abs(value)), 0),
      condition.limit,
    );
  },
);
