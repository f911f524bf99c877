import { distance } from '../../curve/vector.js';
import { distinctPointCount } from '../../curve/periodic.js';
import { places } from '../../figure/part/parts.js';
import { atMost, defineCondition, notThere, tolerance } from './define.js';

/** The control points are those of a list, each within a distance. */
export const pointsEqual = defineCondition(
  'pointsEqual',
  { points: places, tolerance },
  'length',
  ({ points, tolerance: within }, { curve }) => {
    const own = curve.points.slice(0, distinctPointCount(curve));
    if (points.length !== own.length) return notThere;
    return atMost(Math.max(0, ...own.map((point, k) => distance(point, points[k]!))), within);
  },
  ({ curve }) => ({ points: curve.points.slice(0, distinctPointCount(curve)), tolerance: 0.5 }),
);
