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
