import { place, whole } from '../../describe/describe.js';
import { pointKind } from '../../figure/part/parts.js';
import { atPlace, defineCondition, notThere, pointsOfKind, tolerance } from './define.js';

/** A control point or edit point lies within a tolerance of a place. */
export const pointAtPlace = defineCondition(
  'pointAtPlace',
  { of: pointKind, index: whole(0, 100_000), place, tolerance },
  'length',
  (condition, { curve }) => {
    const point = pointsOfKind(curve, condition.of)[condition.index];
    return point ? atPlace(point, condition.place, condition.tolerance) : notThere;
  },
  ({ curve }) => ({ of: 'controlPoints', index: 0, place: curve.points[0]!, tolerance: 0.5 }) as const,
  ({ curve }) =>
    curve.points
      .slice(1)
      .map((place, index) => ({ of: 'controlPoints', index: index + 1, place, tolerance: 0.5 }) as const),
);
