import { spansOf } from '../../curve/knotVector.js';
import { beside } from './define.js';

/** The number of spans: of polynomial pieces. */
export const spans = beside('curve', ({ knots, degree }) => ({
  kind: 'whole',
  value: spansOf(knots, degree).length,
}));
