import { distance } from '../../curve/vector.js';
import { choice, flag, place } from '../../describe/describe.js';
import { positiveLength } from '../part/parts.js';
import { passed } from '../part/handle.js';
import { defineShape } from './define.js';
import { mathematics } from './later.js';

const side = choice('left', 'right');

/** A circular arc between two ends with a radius. */
export const arcRadius = defineShape(
  'arcRadius',
  { start: place, end: place, radius: positiveLength, side, large: flag },
  {
    least: 2,
    most: 2,
    options: { radius: positiveLength, side, large: flag },
    first: { radius: 60, side: 'left', large: false },
    make: ([start, end], chosen) => ({ start: start!.at, end: end!.at, ...chosen }),
  },
  {
    curve: (shape) =>
      mathematics().arcFromEnds(shape.start, shape.end, shape.radius, shape.side, shape.large),
    handles: ({ start, end }) => [passed('start', start), passed('end', end)],
    moveHandle: (shape, key, to) => ({ ...shape, [key]: to }),
    closed: () => false,
    mapAll: (shape, moved) => {
      const ratio = distance(moved.start, moved.end) / distance(shape.start, shape.end);
      return Number.isFinite(ratio) && ratio > 0 ? { ...moved, radius: shape.radius * ratio } : moved;
    },
  },
);
