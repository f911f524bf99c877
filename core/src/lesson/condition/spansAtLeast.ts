import { spansOf } from '../../curve/knotVector.js';
import { whole } from '../../describe/describe.js';
import { atLeast, defineCondition } from './define.js';

/** The curve has at least so many spans. */
export const spansAtLeast = defineCondition(
  'spansAtLeast',
  { atLeast: whole(1, 2000) },
  'count',
  (condition, { curve }) => atLeast(spansOf(curve.knots, curve.degree).length, condition.atLeast),
  ({ curve }) => ({ atLeast: spansOf(curve.knots, curve.degree).length }),
);
