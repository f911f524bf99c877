import { keepContinuityAtKnot } from '../../curve/continueAtKnot.js';
import { measureContinuity } from '../../curve/continuity.js';
import type { Curve } from '../../curve/curve.js';
import { CurveError } from '../../curve/error.js';
import { domainOf, isClamped, multiplicityAt, relativeKnotTolerance } from '../../curve/knotVector.js';
import type { JointContinuity } from '../../curve/match.js';
import { distinctPointCount } from '../../curve/periodic.js';
import { CommandError } from '../../history/history.js';
import { told } from '../../told/told.js';
import type { FigureCommand } from '../command/commands.js';
import type { CurveItem } from '../document/item.js';

/** A knot at which a curve keeps a continuity. */
export interface LockedKnot {
  readonly knot: number;
  readonly continuity: JointContinuity;
}

/** The locked knots of a curve that are still there at full multiplicity, ascending. */
export function lockedKnotsOf({ curve, lockedKnots }: CurveItem): LockedKnot[] {
  return (lockedKnots ?? [])
    .filter(({ knot }) => canLockKnot(curve, knot))
    .toSorted((a, b) => a.knot - b.knot);
}

/**
 * Whether a knot of a curve can be locked: at full multiplicity, inside an open curve with clamped ends or anywhere on a
 * periodic one. Elsewhere its knots keep it smooth.
 */
export function canLockKnot(curve: Curve, knot: number): boolean {
  if (multiplicityAt(curve, knot) !== curve.degree) return false;
  return curve.periodic === true || isClamped(curve.knots, curve.degree);
}

/** The command that locks a knot at a continuity, or lets it go again with `null`. */
export function lockKnot(item: CurveItem, knot: number, continuity: JointContinuity | null): FigureCommand {
  const others = (item.lockedKnots ?? []).filter((lock) => lock.knot !== knot);
  const lockedKnots = continuity ? [...others, { knot, continuity }] : others;
  return lockedKnots.length > 0
    ? { name: 'patchItem', item: item.id, set: { lockedKnots }, clear: [] }
    : { name: 'patchItem', item: item.id, set: {}, clear: ['lockedKnots'] };
}

/** How far a knot may be from where it was locked and still be the same. */
function nearKnot({ knots, degree }: Curve): number {
  const [start, end] = domainOf(knots, degree);
  return relativeKnotTolerance * (end - start);
}

function isKept(curve: Curve, { knot, continuity }: LockedKnot): boolean {
  const near = nearKnot(curve);
  const measured = measureContinuity(curve, undefined, (value) => Math.abs(value - knot) <= near)[0];
  if (!measured) return true;
  const reached = continuity.startsWith('C') ? measured.parametric : measured.geometric;
  return reached >= Number(continuity[1]);
}

/**
 * A changed curve with the continuities of its locked knots: from what was moved outwards, the points on the far side of
 * each knot follow.
 * @param before the curve as it was, by which it is found what was moved
 * @throws CommandError where a lock can't be kept, or the locks contradict each other
 */
export function keepingLockedKnots(item: CurveItem, before: Curve): Curve {
  const locks = lockedKnotsOf(item);
  let curve = item.curve;
  if (locks.every((lock) => isKept(curve, lock))) return curve;
  const count = distinctPointCount(curve);
  const last = item.curve.points
    .slice(0, count)
    .findLastIndex(
      (point, k) => !before.points[k] || point.some((value, axis) => value !== before.points[k]![axis]),
    );
  /** The control point on a knot of full multiplicity. */
  const pointAt = ({ knot }: LockedKnot): number =>
    (curve.knots.findLastIndex((value) => value <= knot + nearKnot(curve)) - curve.degree) % count;
  /** How many points it lies after what was pulled; before it on a curve that is open, and on the nearer side else. */
  const after = (lock: LockedKnot): number => {
    const away = pointAt(lock) - last;
    if (!curve.periodic) return away;
    const round = ((away % count) + count) % count;
    return round <= count / 2 ? round : round - count;
  };
  const byDistance = locks.toSorted((a, b) => Math.abs(after(a)) - Math.abs(after(b)));
  const right = byDistance.filter((lock) => after(lock) >= 0);
  const left = byDistance.filter((lock) => after(lock) < 0);
  for (const [list, moves] of [
    [right, 'after'],
    [left, 'before'],
  ] as const) {
    for (const lock of list) {
      if (isKept(curve, lock)) continue;
      try {
        curve = keepContinuityAtKnot(curve, lock.knot, lock.continuity, moves);
      } catch (error) {
        if (!(error instanceof CurveError)) throw error;
        const { knot, continuity } = lock;
        throw new CommandError(
          told('knotLockCantBeKept', { name: item.name, continuity, knot, reason: error.told }),
        );
      }
    }
  }
  if (!locks.every((lock) => isKept(curve, lock))) {
    throw new CommandError(told('knotLocksContradict', { name: item.name }));
  }
  return curve;
}
