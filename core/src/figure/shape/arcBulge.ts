import { number, place } from '../../describe/describe.js';
import { passed } from '../part/handle.js';
import { defineShape } from './define.js';
import { mathematics } from './later.js';

const bulge = number({ unit: 'ratio' });

/** A circular arc between two ends by its bulge: its height against half its chord. */
export const arcBulge = defineShape(
  'arcBulge',
  { start: place, end: place, bulge },
  {
    least: 2,
    most: 2,
    options: { bulge },
    first: { bulge: 0.5 },
    make: ([start, end], chosen) => ({ start: start!.at, end: end!.at, ...chosen }),
    as: 'arcRadius',
  },
  {
    curve: (shape) => mathematics().arcFromBulge(shape.start, shape.end, shape.bulge),
    handles: ({ start, end }) => [passed('start', start), passed('end', end)],
    moveHandle: (shape, key, to) => ({ ...shape, [key]: to }),
    closed: () => false,
  },
);
