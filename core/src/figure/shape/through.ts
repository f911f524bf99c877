import { flag } from '../../describe/describe.js';
import { degree, figureLimits, parametrisation, places } from '../part/parts.js';
import { passed } from '../part/handle.js';
import { defineShape } from './define.js';
import { mathematics } from './later.js';

/** A curve through points, which are its own handles. */
export const through = defineShape(
  'through',
  { points: places, degree, parametrisation, closed: flag },
  {
    least: ({ closed }) => (closed ? 3 : 2),
    most: figureLimits.points,
    options: { degree, parametrisation, closed: flag },
    first: { degree: 3, parametrisation: 'chord', closed: false },
    make: (set, chosen) => ({ points: set.map(({ at }) => at), ...chosen }),
    closes: 'smooth',
    mirrors: true,
  },
  {
    curve: (shape) =>
      shape.closed
        ? mathematics().interpolateClosed(shape.points, shape.degree, shape.parametrisation).curve
        : mathematics().interpolate(shape.points, shape.degree, shape.parametrisation).curve,
    handles: ({ points }) => points.map((point, index) => passed(String(index), point)),
    moveHandle: (shape, key, to) => ({
      ...shape,
      points: shape.points.map((point, index) => (String(index) === key ? to : point)),
    }),
    closed: (shape) => shape.closed,
  },
);
