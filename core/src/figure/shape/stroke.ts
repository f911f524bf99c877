import { addScaled, subtract } from '../../curve/vector.js';
import { list, place } from '../../describe/describe.js';
import { degree, figureLimits, positiveLength } from '../part/parts.js';
import { passed } from '../part/handle.js';
import { defineShape } from './define.js';
import { mathematics } from './later.js';

/** A freehand stroke, fitted to a tolerance. It has one handle, its start, which takes all of it along. */
export const stroke = defineShape(
  'stroke',
  { points: list(place, figureLimits.strokePoints, 1), tolerance: positiveLength, degree },
  {
    least: 2,
    most: figureLimits.strokePoints,
    options: { degree, tolerance: positiveLength },
    first: { degree: 3, tolerance: 1 },
    make: (set, chosen) => ({ points: set.map(({ at }) => at), ...chosen }),
    mirrors: true,
    freehand: true,
  },
  {
    curve: (shape) => mathematics().fitStroke(shape.points, shape.tolerance, shape.degree).curve,
    handles: ({ points }) => [passed('start', points[0]!)],
    moveHandle: (shape, _, to) => {
      const by = subtract(to, shape.points[0]!);
      return { ...shape, points: shape.points.map((point) => addScaled(point, by)) };
    },
    closed: () => false,
    mapAll: (shape, _, to) => ({ ...shape, points: shape.points.map(to) }),
  },
);
