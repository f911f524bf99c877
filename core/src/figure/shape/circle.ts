import { circleLayouts } from '../../curve/circleLayouts.js';
import { distance } from '../../curve/vector.js';
import { choice, either, place, tagged, unionOf, whole } from '../../describe/describe.js';
import { degree, positiveLength } from '../part/parts.js';
import { passed, pulls } from '../part/handle.js';
import { defineShape } from './define.js';
import { layout } from './layout.js';
import { mathematics } from './later.js';

/** A circle that is only approximated: periodic of a degree and count, or a chain of cubic pieces. */
const approximation = unionOf('approximation', {
  periodic: { description: tagged('approximation', 'periodic', { degree, count: whole(3, 500) }) },
  cubics: { description: tagged('approximation', 'cubics', { pieces: whole(2, 200) }) },
});

/** A whole circle, exact or approximate. */
export const circle = defineShape(
  'circle',
  { centre: place, radius: positiveLength, layout: either(layout, approximation) },
  {
    least: 2,
    most: 2,
    options: { layout: choice(...circleLayouts, 'periodic', 'cubics') },
    first: { layout: 'quadratic9' },
    make: ([centre, rim], { layout: by }) => ({
      centre: centre!.at,
      radius: distance(rim!.at, centre!.at),
      layout:
        by === 'periodic'
          ? { approximation: by, degree: 3, count: 8 }
          : by === 'cubics'
            ? { approximation: by, pieces: 4 }
            : by,
    }),
  },
  {
    curve: ({ centre, radius, layout: by }) => {
      if (typeof by === 'string')
        return mathematics().exactCircle({ centre, radius, x: [1, 0], y: [0, 1] }, by);
      return by.approximation === 'periodic'
        ? mathematics().approximateCircle(centre, radius, by.degree, by.count).curve
        : mathematics().approximateCircleByCubics(centre, radius, by.pieces).curve;
    },
    handles: ({ centre, radius }) => {
      const rim = [centre[0]! + radius, centre[1]!];
      return [pulls('centre', centre, rim), passed('rim', rim)];
    },
    moveHandle: (shape, key, to) =>
      key === 'centre'
        ? { ...shape, centre: to }
        : { ...shape, radius: Math.hypot(to[0]! - shape.centre[0]!, to[1]! - shape.centre[1]!) },
    closed: () => true,
  },
);
