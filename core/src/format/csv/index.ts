import { choice, whole } from '../../describe/describe.js';
import type { FormatMember } from '../define.js';
import { first, writeCsv } from './write.js';
import { readCsv } from './read.js';

/**
 * Curves as a table: a row for each control point with its weight, each knot, each edit point and, where wanted, each sample
 * with what the rail shows there: arc length from the start, speed and curvature, and what its other tracks plot.
 * The decimal sign is a point in every language; commas, semicolons and tabs between cells are recognised on reading, as is a
 * plain list of coordinates without a head.
 */
export const csv: FormatMember<'csv'> = {
  name: 'csv',
  endings: ['csv', 'txt'],
  mediaType: 'text/csv',
  keeps: 'digits',
  options: {
    samples: whole(0, 10_000),
    /** Whether samples stand at even steps of the parameter or of the arc length. */
    even: choice('parameter', 'length'),
  },
  first,
  write: writeCsv,
  read: readCsv,
};
