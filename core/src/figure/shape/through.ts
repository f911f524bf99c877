import { flag } from '../../describe/describe.js';
import { degree, parametrisation, places } from '../part/parts.js';
import { passed } from '../part/handle.js';
import { defineShape } from './define.js';
import { mathematics } from './later.js';

/** A curve through points, which are its own handles. */
export const through = defineShape(
  'through',
  { points: places, degree, parametrisation, closed: flag },
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
