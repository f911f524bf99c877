import { place } from '../../describe/describe.js';
import { passed } from '../part/handle.js';
import { byPlaces, defineShape } from './define.js';
import { mathematics } from './later.js';

/** A circular arc through three points. */
export const arcThrough = defineShape(
  'arcThrough',
  { start: place, through: place, end: place },
  { ...byPlaces(3, (start, end, middle) => ({ start: start!, through: middle!, end: end! })), polygon: true },
  {
    curve: ({ start, through, end }) => mathematics().arcThroughPoints(start, through, end),
    handles: ({ start, through, end }) => [
      passed('start', start),
      passed('through', through),
      passed('end', end),
    ],
    moveHandle: (shape, key, to) => ({ ...shape, [key]: to }),
    closed: () => false,
  },
);
