import { distance } from '../../curve/vector.js';
import { whole } from '../../describe/describe.js';
import { pointKind } from '../../figure/part/parts.js';
import { atMost, defineCondition, notThere, pointsOfKind } from './define.js';

/** Below this share of the curve's size a point counts as unmoved. */
const roundingShare = 1e-9;

/** At most so many points are elsewhere than at the start; a curve that has more or fewer of them can't be compared. */
export const pointsMovedAtMost = defineCondition(
  'pointsMovedAtMost',
  { of: pointKind, atMost: whole(0, 2000) },
  'count',
  (condition, now, start) => {
    const [before, after] = [start.curve, now.curve].map((curve) => pointsOfKind(curve, condition.of));
    if (before!.length !== after!.length) return notThere;
    const size = Math.max(1, ...before!.flat().map(Math.abs));
    const moved = before!.filter((point, index) => distance(point, after![index]!) > roundingShare * size);
    return atMost(moved.length, condition.atMost);
  },
  () => ({ of: 'controlPoints', atMost: 2 }) as const,
);
