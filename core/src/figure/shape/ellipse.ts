import { addScaled, subtract } from '../../curve/vector.js';
import { place } from '../../describe/describe.js';
import { passed, pulls } from '../part/handle.js';
import { defineShape } from './define.js';
import { layout } from './layout.js';
import { mathematics } from './later.js';

/** A whole ellipse; its axes lead from the centre to the ends of the half axes. */
export const ellipse = defineShape(
  'ellipse',
  { centre: place, axisX: place, axisY: place, layout },
  {
    least: 3,
    most: 3,
    options: { layout },
    first: { layout: 'quadratic9' },
    make: ([centre, first, second], chosen) => {
      const x = subtract(first!.at, centre!.at) as [number, number];
      const size = Math.hypot(...x) || 1;
      // The second half axis is square to the first; the third place says how long it is.
      const offset = subtract(second!.at, centre!.at);
      const height = (offset[1]! * x[0] - offset[0]! * x[1]) / size;
      return {
        centre: centre!.at,
        axisX: x,
        axisY: [(-x[1] / size) * height, (x[0] / size) * height],
        ...chosen,
      };
    },
  },
  {
    curve: ({ centre, axisX, axisY, layout: by }) => mathematics().exactEllipse(centre, axisX, axisY, by),
    handles: ({ centre, axisX, axisY }) => {
      const x = addScaled(centre, axisX);
      return [pulls('centre', centre, x), passed('axisX', x), passed('axisY', addScaled(centre, axisY))];
    },
    moveHandle: (shape, key, to) =>
      key === 'centre' ? { ...shape, centre: to } : { ...shape, [key]: subtract(to, shape.centre) },
    closed: () => true,
  },
);
