import type { Curve } from '../../curve/curve.js';
import { sampleCurve } from '../../curve/sample.js';
import { whole } from '../../describe/describe.js';
import { atLeast, defineCondition, tolerance } from './define.js';

/** At least so many spans of the curve are where they were at the start, within a tolerance. */
export const spansUnmoved = defineCondition(
  'spansUnmoved',
  { atLeast: whole(0, 100_000), tolerance },
  'count',
  (condition, now, start) =>
    atLeast(unmovedSpans(start.curve, now.curve, condition.tolerance), condition.atLeast),
  () => ({ atLeast: 1, tolerance: 0.01 }),
);

/** How many spans of `now` lie, sample by sample, where they lay in `before`. */
function unmovedSpans(before: Curve, now: Curve, within: number): number {
  const first = sampleCurve(before, 16);
  const second = sampleCurve(now, 16);
  if (first.spanCount !== second.spanCount) return 0;
  let count = 0;
  const stride = 17 * first.dimension;
  for (let span = 0; span < first.spanCount; span++) {
    let moved = false;
    for (let at = span * stride; at < (span + 1) * stride && !moved; at++) {
      moved = !(Math.abs(first.coordinates[at]! - second.coordinates[at]!) <= within);
    }
    if (!moved) count++;
  }
  return count;
}
