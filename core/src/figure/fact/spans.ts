import { spansOf } from '../../curve/knotVector.js';
import type { FactMember } from './define.js';

/** The number of spans: of polynomial pieces. */
export const spans: FactMember = ({ knots, degree }) => ({
  kind: 'whole',
  value: spansOf(knots, degree).length,
});
