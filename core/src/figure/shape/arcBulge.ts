import { number, place } from '../../describe/describe.js';
import { passed } from '../part/handle.js';
import { defineShape } from './define.js';
import { mathematics } from './later.js';

/** A circular arc between two ends by its bulge: its height against half its chord. */
export const arcBulge = defineShape(
  'arcBulge',
  { start: place, end: place, bulge: number({ unit: 'ratio' }) },
  {
    curve: ({ start, end, bulge }) => mathematics().arcFromBulge(start, end, bulge),
    handles: ({ start, end }) => [passed('start', start), passed('end', end)],
    moveHandle: (shape, key, to) => ({ ...shape, [key]: to }),
    closed: () => false,
  },
);
