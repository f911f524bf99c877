import { curvatureExtremes } from '../../curve/features.js';
import { atMost, defineCondition } from './define.js';

/** Curvature only rises, or only falls, from one end of the curve to the other. */
export const curvatureMonotone = defineCondition(
  'curvatureMonotone',
  {},
  'count',
  (_, { curve }) => atMost(curvatureExtremes(curve).length, 0),
  () => ({}),
);
