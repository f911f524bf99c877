import { told } from '../told/told.js';
import { moveSeam, openCurve, periodicFromClosed } from './close.js';
import type { Curve } from './curve.js';
import { CurveError } from './error.js';
import { insertKnot } from './insertKnot.js';
import { joinCurves } from './join.js';
import { distinctKnots, domainOf, isClamped, multiplicityAt, relativeKnotTolerance } from './knotVector.js';
import { matchCurve, type JointContinuity } from './match.js';
import {
  distinctPointCount,
  knotsOfOnePeriod,
  periodOf,
  unrolledKnot,
  wrapIndex,
  wrapParameter,
  wrapped,
} from './periodic.js';
import { removeKnot } from './removeKnot.js';
import { removableTimes } from './needlessKnots.js';
import { mapDomain } from './reparametrise.js';
import { splitCurve } from './split.js';
import { distance, lengthOf } from './vector.js';

/** A curve that was made to continue itself at a knot. */
export interface ContinuedAtKnot {
  readonly curve: Curve;
  /** The farthest that a control point beside the knot moved, in the drawing's unit. */
  readonly largestMove: number;
}

/**
 * The curve with a chosen continuity at a knot: what lies before the knot stays, and the first control points after it
 * move as `matchCurve` moves them (P&T 5.5; F 11). G0 raises the knot to multiplicity p, so that a corner can be made
 * there, and keeps the shape; C1 and C2 take out the knots that the result no longer needs.
 * @param u a knot inside the domain, or any knot of a periodic curve
 * @throws CurveError `knot` where no such knot lies there, `unsupported` for a periodic curve of a single knot, and those of
 * `matchCurve` where the curve has too low a degree or too few points after the knot
 */
export function continueAtKnot(curve: Curve, u: number, continuity: JointContinuity): ContinuedAtKnot {
  if (curve.periodic) return continuePeriodic(curve, u, continuity);
  const [start, end] = domainOf(curve.knots, curve.degree);
  const knot = distinctKnots(curve.knots, curve.degree).find(
    ({ value }) => value > start && value < end && Math.abs(value - u) <= 1e-9 * (end - start),
  );
  if (!knot) throw new CurveError('knot', told('noKnotInside', { knot: u }), { value: u });
  const missing = curve.degree - knot.multiplicity;
  const free = missing > 0 ? insertKnot(curve, knot.value, missing) : curve;
  if (continuity === 'G0' && knot.multiplicity <= curve.degree) return { curve: free, largestMove: 0 };
  const [before, after] = splitCurve(free, knot.value);
  const matched = matchCurve(after, before, continuity, 'start', 'end').curve;
  const joined = joinCurves(before, matched, Infinity);
  const order = continuity.startsWith('C') ? Number(continuity[1]) : 0;
  const largestMove = Math.max(...matched.points.map((point, k) => distance(point, after.points[k]!)));
  // The knots of a rational curve belong to its homogeneous form, which may be less smooth than the curve.
  const tolerance = 1e-9 * Math.max(...joined.points.map(lengthOf));
  const times = order > 0 ? Math.min(order, removableTimes(joined, knot.value, tolerance)) : 0;
  return { curve: times > 0 ? removeKnot(joined, knot.value, times).curve : joined, largestMove };
}

/**
 * A curve with a continuity at a knot of full multiplicity, kept in its own space: knots and weights stay, and the
 * first control points on one side of the knot move as `matchCurve` moves them.
 * @param moves the side on which points move
 * @throws CurveError `knot` where no such knot lies there, `unsupported` for unclamped ends, and those of `matchCurve`
 */
export function keepContinuityAtKnot(
  curve: Curve,
  u: number,
  continuity: JointContinuity,
  moves: 'before' | 'after',
): Curve {
  const { degree, knots } = curve;
  if (curve.periodic) return keepOnPeriodic(curve, u, continuity, moves);
  if (!isClamped(knots, degree)) {
    throw new CurveError('unsupported', told('lockedKnotOfClamped'));
  }
  if (multiplicityAt(curve, u) !== degree)
    throw new CurveError('knot', told('noKnotInside', { knot: u }), { value: u });
  const [before, after] = splitCurve(curve, u);
  const [first, second] =
    moves === 'after'
      ? [before, matchCurve(after, before, continuity, 'start', 'end').curve]
      : [matchCurve(before, after, continuity, 'end', 'start').curve, after];
  return { ...curve, points: [...first.points, ...second.points.slice(1)] };
}

/**
 * The same on a periodic curve: cut at the knot, where a control point lies, it is a clamped curve with the same points,
 * whose end is kept on with its start.
 */
function keepOnPeriodic(
  curve: Curve,
  u: number,
  continuity: JointContinuity,
  moves: 'before' | 'after',
): Curve {
  const { degree, knots, points, weights } = curve;
  const near = relativeKnotTolerance * periodOf(curve);
  const last = knots.findLastIndex((value, index) => Math.abs(value - u) <= near && index < points.length);
  const isFull = last >= degree && Math.abs(unrolledKnot(curve, last - degree + 1) - u) <= near;
  if (!isFull) throw new CurveError('knot', told('noKnotInside', { knot: u }), { value: u });
  const count = distinctPointCount(curve);
  // The control point on the knot, and then once around to it again.
  const first = last - degree;
  const places = Array.from({ length: count + 1 }, (_, k) => wrapIndex(first + k, count));
  const cut: Curve = {
    degree,
    knots: [
      unrolledKnot(curve, last),
      ...Array.from({ length: count + degree }, (_, k) => unrolledKnot(curve, first + 1 + k)),
      unrolledKnot(curve, first + count + degree),
    ],
    points: places.map((index) => points[index]!),
    ...(weights && { weights: places.map((index) => weights[index]!) }),
  };
  const kept =
    moves === 'after'
      ? matchCurve(cut, cut, continuity, 'start', 'end').curve
      : matchCurve(cut, cut, continuity, 'end', 'start').curve;
  const changed = points.slice(0, count);
  // Of the point on the knot both ends are the same one.
  for (let k = 1; k < count; k++) changed[places[k]!] = kept.points[k]!;
  return { ...curve, points: wrapped(changed, degree) };
}

/** A periodic curve is opened at the knot that is farthest from this one, continued, and closed again where it started. */
function continuePeriodic(curve: Curve, u: number, continuity: JointContinuity): ContinuedAtKnot {
  const [start] = domainOf(curve.knots, curve.degree);
  const period = periodOf(curve);
  const knots = knotsOfOnePeriod(curve).map(({ value }) => value);
  const near = 1e-9 * period;
  const knot = knots.find((value) => Math.abs(value - wrapParameter(curve, u)) <= near);
  if (knot === undefined) throw new CurveError('knot', told('noKnotInside', { knot: u }), { value: u });
  const away = (value: number): number => Math.min(Math.abs(value - knot), period - Math.abs(value - knot));
  const other = knots.reduce((best, value) => (away(value) > away(best) ? value : best));
  if (!(away(other) > near)) throw new CurveError('unsupported', told('continueOpenFirst'));
  const open = openCurve(curve, other);
  const made = continueAtKnot(open, knot < other ? knot + period : knot, continuity);
  const closed = periodicFromClosed(made.curve);
  const back = moveSeam(closed, wrapParameter(closed, start));
  return { curve: mapDomain(back, start, start + period), largestMove: made.largestMove };
}
