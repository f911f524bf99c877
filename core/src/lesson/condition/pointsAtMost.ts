import { distinctPointCount } from '../../curve/periodic.js';
import { whole } from '../../describe/describe.js';
import { atMost, defineCondition } from './define.js';

/** The curve has at most so many control points; those that a periodic curve repeats count once. */
export const pointsAtMost = defineCondition(
  'pointsAtMost',
  { atMost: whole(1, 2000) },
  'count',
  (condition, { curve }) => atMost(distinctPointCount(curve), condition.atMost),
  ({ curve }) => ({ atMost: distinctPointCount(curve) }),
);
