import { refuseSignedWeights } from './betweenPoles.js';
import { told } from '../told/told.js';
import { dimensionOf, type Curve } from './curve.js';
import { largestDeviation, type Deviation } from './deviation.js';
import { CurveError } from './error.js';
import { curveOfRows, homogeneousRows, withPositiveWeights } from './homogeneous.js';
import { insertKnot } from './insertKnot.js';
import {
  distinctKnots,
  domainOf,
  findSpan,
  relativeKnotTolerance,
  type KnotWithMultiplicity,
} from './knotVector.js';
import { solveDenseLeastSquares } from './leastSquares.js';
import {
  distinctPointCount,
  knotsOfOnePeriod,
  periodicKnotVector,
  periodicOfRows,
  unrolledKnot,
  withoutPeriod,
  wrapIndex,
  wrapParameter,
  wrapped,
} from './periodic.js';
import { validateParameter } from './validate.js';

/** A curve that was made from another one, and how far it lies from it. */
export interface Approximation {
  readonly curve: Curve;
  readonly deviation: Deviation;
}

/**
 * Takes a knot out `times` times. Removal undoes insertion where that is possible; where it is not, the
 * control points that are left come from the insertion's equations by least squares, which keeps the rest
 * of the curve in place (P&T A5.8; Tiller 1992). What it costs is measured.
 * @param u a knot inside the domain, within 1e-9 of its length
 * @param times 1 up to its multiplicity
 * @returns the curve without the knot, and its largest distance from the one before
 * @throws CurveError `knot` where no such knot stands there, `order` (times), `weight` where a weight
 * would not stay positive, `unsupported` for the last knot at the seam of a periodic curve
 */
export function removeKnot(curve: Curve, u: number, times = 1): Approximation {
  refuseSignedWeights(curve);
  const knot = removableKnot(curve, u);
  if (!Number.isInteger(times) || times < 1 || times > knot.multiplicity) {
    throw new CurveError(
      'order',
      told('removalTimes', { knot: knot.value, times, multiplicity: knot.multiplicity }),
      { value: times },
    );
  }
  const window = curve.periodic ? periodicWindow(curve, knot) : openWindow(curve, knot);
  if (!window) {
    const removed = withPositiveWeights(removePeriodic(curve, knot, times));
    return { curve: removed, deviation: largestDeviation(curve, removed) };
  }
  const { curve: local, deviation } = removeInWindow(window, times);
  const removed = curve.periodic
    ? periodicWithWindow(curve, knot, window, local, times)
    : openWithWindow(curve, window, local);
  return {
    curve: removed,
    deviation: curve.periodic
      ? { ...deviation, parameter: wrapParameter(curve, deviation.parameter) }
      : deviation,
  };
}

/** The part of a curve that the removal of a knot can change, and as much again on either side, as an unclamped curve. */
interface Window {
  readonly curve: Curve;
  readonly knot: KnotWithMultiplicity;
  /** Index of its first control point in the whole curve, of an unrolled one where that is periodic. */
  readonly begin: number;
}

/** @throws CurveError `weight` where a weight would not stay positive */
export function removeInWindow({ curve, knot }: Window, times: number): Approximation {
  const removed = withPositiveWeights(removeLocally(curve, knot, times));
  return { curve: removed, deviation: largestDeviation(curve, removed, affected(curve, knot, times)) };
}

export function openWindow(curve: Curve, knot: KnotWithMultiplicity): Window {
  const { degree, knots, points, weights } = curve;
  const begin = Math.max(0, knot.first - 2 * degree - 2);
  const end = Math.min(knots.length, knot.first + knot.multiplicity + 2 * degree + 2);
  return {
    curve: {
      degree,
      knots: knots.slice(begin, end),
      points: points.slice(begin, end - degree - 1),
      ...(weights && { weights: weights.slice(begin, end - degree - 1) }),
    },
    knot: { ...knot, first: knot.first - begin },
    begin,
  };
}

function openWithWindow(curve: Curve, { begin, curve: before }: Window, local: Curve): Curve {
  const { knots, points, weights } = curve;
  const count = before.points.length;
  return {
    ...curve,
    knots: [...knots.slice(0, begin), ...local.knots, ...knots.slice(begin + before.knots.length)],
    points: [...points.slice(0, begin), ...local.points, ...points.slice(begin + count)],
    ...(weights && {
      weights: [...weights.slice(0, begin), ...local.weights!, ...weights.slice(begin + count)],
    }),
  };
}

/** The window of a periodic curve, unrolled; none where it would reach round to itself. */
function periodicWindow(curve: Curve, knot: KnotWithMultiplicity): Window | undefined {
  const { degree } = curve;
  const count = distinctPointCount(curve);
  const length = knot.multiplicity + 4 * degree + 4;
  if (length > count || knot.multiplicity === count) return undefined;
  // Knots from the start on are found where they stand in the domain; those at the seam end at index p.
  const isSeam = knot.value === domainOf(curve.knots, degree)[0];
  const first = isSeam ? degree + 1 - knot.multiplicity : knot.first;
  const begin = first - 2 * degree - 2;
  const points = Array.from(
    { length: length - degree - 1 },
    (_, k) => curve.points[wrapIndex(begin + k, count)]!,
  );
  return {
    curve: {
      degree,
      knots: Array.from({ length }, (_, k) => unrolledKnot(curve, begin + k)),
      points,
      ...(curve.weights && { weights: points.map((_, k) => curve.weights![wrapIndex(begin + k, count)]!) }),
    },
    knot: { ...knot, first: first - begin },
    begin,
  };
}

function periodicWithWindow(
  curve: Curve,
  knot: KnotWithMultiplicity,
  { begin, curve: before }: Window,
  local: Curve,
  times: number,
): Curve {
  const { degree } = curve;
  const count = distinctPointCount(curve);
  const knots = periodicWithout(curve, knot, times);
  // The last knot at the start stands at index p before and after, so what goes there shifts what is before it.
  const isSeam = knot.value === domainOf(curve.knots, degree)[0];
  const start = isSeam ? begin + times : begin;
  const rest = count - before.points.length;
  const one = <T>(inside: readonly T[], all: readonly T[]): T[] => {
    const turn = [
      ...inside,
      ...Array.from({ length: rest }, (_, k) => all[wrapIndex(begin + before.points.length + k, count)]!),
    ];
    return wrapped(
      turn.map((_, k) => turn[wrapIndex(k - start, turn.length)]!),
      degree,
    );
  };
  return {
    degree,
    knots,
    points: one(local.points, curve.points),
    ...(curve.weights && { weights: one(local.weights!, curve.weights) }),
    periodic: true,
  };
}

/** The interval on which removal can change the curve. */
function affected(
  { knots, degree }: Curve,
  { first, multiplicity }: KnotWithMultiplicity,
  times: number,
): [number, number] {
  const [start, end] = domainOf(knots, degree);
  const last = first + multiplicity - 1;
  return [
    Math.max(start, knots[Math.max(0, first - degree - 1 + multiplicity - times)]!),
    Math.min(end, knots[Math.min(knots.length - 1, last + degree + 1 - multiplicity + times)]!),
  ];
}

/** The knot at `u`, if one may be taken out there. */
export function removableKnot(curve: Curve, u: number): KnotWithMultiplicity {
  validateParameter(curve, u);
  const { knots, degree } = curve;
  const [start, end] = domainOf(knots, degree);
  const tolerance = relativeKnotTolerance * (end - start);
  const wanted = curve.periodic && end - u < tolerance ? start : u;
  const list = curve.periodic ? knotsOfOnePeriod(curve) : distinctKnots(knots, degree);
  const knot = list.find(({ value }) => Math.abs(value - wanted) < tolerance);
  const atEnd = !curve.periodic && (u - start < tolerance || end - u < tolerance);
  if (!knot || atEnd) {
    throw new CurveError('knot', told('noKnotToRemove', { knot: u }), {
      value: u,
    });
  }
  return knot;
}

/** Unit vectors as the points of a curve: what an operation makes of them is the operation's matrix. */
function unitPoints(count: number): number[][] {
  return Array.from({ length: count }, (_, row) =>
    Array.from({ length: count }, (_, column) => (row === column ? 1 : 0)),
  );
}

function removeLocally(curve: Curve, knot: KnotWithMultiplicity, times: number): Curve {
  const { degree, knots } = curve;
  if (knot.multiplicity > degree) {
    // A gap is closed midway before anything else.
    const open = homogeneousRows(curve);
    const [before, after] = [open[knot.first - 1]!, open[knot.first]!];
    const middle = before.map((value, axis) => (value + after[axis]!) / 2);
    const closed = curveOfRows(
      curve,
      degree,
      knots.toSpliced(knot.first, 1),
      open.toSpliced(knot.first - 1, 2, middle),
    );
    return times === 1 ? closed : removeLocally(closed, { ...knot, multiplicity: degree }, times - 1);
  }
  const coarse = knots.toSpliced(knot.first, times);
  const rows = homogeneousRows(curve);
  // The curve's p + 1 points of the new span are all that the knot can have changed.
  const span = findSpan(coarse, degree, knot.value);
  const first = span - degree;
  const local: Curve = {
    degree,
    knots: coarse.slice(first, span + degree + 2),
    points: unitPoints(degree + 1),
  };
  const matrix = insertKnot(local, knot.value, times).points;
  const fine = rows.slice(first, first + degree + 1 + times);
  // The outermost points are the same before and after.
  const [head, tail] = [fine[0]!, fine.at(-1)!];
  const inner = solveDenseLeastSquares(
    matrix.slice(1, -1).map((row) => row.slice(1, -1)),
    fine
      .slice(1, -1)
      .map((row, k) =>
        row.map(
          (value, axis) => value - matrix[k + 1]![0]! * head[axis]! - matrix[k + 1]![degree]! * tail[axis]!,
        ),
      ),
  );
  return curveOfRows(curve, degree, coarse, [
    ...rows.slice(0, first + 1),
    ...inner,
    ...rows.slice(first + degree + times),
  ]);
}

/**
 * The knots of a periodic curve without one of them, or with it less often.
 * @throws CurveError `unsupported` for the last knot at the seam
 */
function periodicWithout(
  { degree, knots, ...rest }: Curve,
  knot: KnotWithMultiplicity,
  times: number,
): number[] {
  const [start, end] = domainOf(knots, degree);
  const list = knotsOfOnePeriod({ degree, knots, ...rest }).map(({ value, multiplicity }) => ({
    value,
    multiplicity: value === knot.value ? multiplicity - times : multiplicity,
  }));
  if (list[0]!.multiplicity === 0) {
    throw new CurveError('unsupported', told('seamKnot', { knot: start }), { value: start });
  }
  return periodicKnotVector(
    list.filter(({ multiplicity }) => multiplicity > 0),
    end,
    degree,
  );
}

/** Removal from a periodic curve of few points, by least squares over all of it. */
function removePeriodic(curve: Curve, knot: KnotWithMultiplicity, times: number): Curve {
  const { degree } = curve;
  const coarse = periodicWithout(curve, knot, times);
  const count = distinctPointCount(curve) - times;
  const unit: Curve = { degree, knots: coarse, points: wrapped(unitPoints(count), degree), periodic: true };
  const matrix = insertKnot(unit, knot.value, times).points.slice(0, count + times);
  const rows = homogeneousRows(withoutPeriod(curve)).slice(0, count + times);
  const solved = solveDenseLeastSquares(matrix, rows);
  return periodicOfRows(dimensionOf(curve) > 0 ? curve : unit, coarse, solved);
}
