import { distinctPointCount } from '../../curve/periodic.js';
import { whole } from '../../describe/describe.js';
import { atLeast, defineCondition } from './define.js';

/** The curve has at least so many control points; those that a periodic curve repeats count once. */
export const pointsAtLeast = defineCondition(
  'pointsAtLeast',
  { atLeast: whole(1, 2000) },
  'count',
  (condition, { curve }) => atLeast(distinctPointCount(curve), condition.atLeast),
  ({ curve }) => ({ atLeast: distinctPointCount(curve) }),
);
