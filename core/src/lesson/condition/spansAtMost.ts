import { spansOf } from '../../curve/knotVector.js';
import { whole } from '../../describe/describe.js';
import { atMost, defineCondition } from './define.js';

/** The curve has at most so many spans. */
export const spansAtMost = defineCondition(
  'spansAtMost',
  { atMost: whole(1, 2000) },
  'count',
  (condition, { curve }) => atMost(spansOf(curve.knots, curve.degree).length, condition.atMost),
  ({ curve }) => ({ atMost: spansOf(curve.knots, curve.degree).length }),
);
