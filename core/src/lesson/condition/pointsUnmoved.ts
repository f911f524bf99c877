import { distance } from '../../curve/vector.js';
import { indices } from '../../figure/document/document.js';
import { pointKind } from '../../figure/part/parts.js';
import { atMost, defineCondition, notThere, pointsOfKind, tolerance } from './define.js';

/** These points are where they were at the start, within a tolerance. */
export const pointsUnmoved = defineCondition(
  'pointsUnmoved',
  { of: pointKind, indices, tolerance },
  'length',
  (condition, now, start) => {
    const before = pointsOfKind(start.curve, condition.of);
    const after = pointsOfKind(now.curve, condition.of);
    if (condition.indices.some((index) => !before[index] || !after[index])) return notThere;
    const moves = condition.indices.map((index) => distance(before[index]!, after[index]!));
    return atMost(Math.max(0, ...moves), condition.tolerance);
  },
  ({ curve }) => ({ of: 'controlPoints', indices: [0, curve.points.length - 1], tolerance: 0.5 }) as const,
);
