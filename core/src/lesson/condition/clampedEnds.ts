import { isClamped } from '../../curve/knotVector.js';
import { defineCondition, holds } from './define.js';

/** The curve passes through its first and its last control point, since the knots at its ends stand often enough. */
export const clampedEnds = defineCondition(
  'clampedEnds',
  {},
  'holds',
  (_, { curve }) => holds(isClamped(curve.knots, curve.degree)),
  () => ({}),
);
