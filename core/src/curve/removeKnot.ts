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
  withoutPeriod,
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
  const removed = withPositiveWeights(
    curve.periodic ? removePeriodic(curve, knot, times) : removeLocally(curve, knot, times),
  );
  return { curve: removed, deviation: largestDeviation(curve, removed, affected(curve, knot, times)) };
}

/**
 * How many times a knot can be taken out while the curve stays within a tolerance.
 * @param tolerance largest distance allowed, in the drawing's unit, 0 or more
 * @returns 0 up to the knot's multiplicity
 * @throws CurveError `knot`, `tolerance`
 */
export function removableTimes(curve: Curve, u: number, tolerance: number): number {
  refuseSignedWeights(curve);
  if (!(tolerance >= 0)) {
    throw new CurveError('tolerance', told('toleranceNegative', { tolerance }), {
      value: tolerance,
    });
  }
  const { multiplicity } = removableKnot(curve, u);
  for (let times = 1; times <= multiplicity; times++) {
    try {
      if (removeKnot(curve, u, times).deviation.distance > tolerance) return times - 1;
    } catch (error) {
      if (error instanceof CurveError) return times - 1;
      throw error;
    }
  }
  return multiplicity;
}

/** The interval on which removal can change the curve; the whole domain for a periodic curve. */
function affected(
  { knots, degree, periodic }: Curve,
  { first, multiplicity }: KnotWithMultiplicity,
  times: number,
): [number, number] | undefined {
  if (periodic) return undefined;
  const [start, end] = domainOf(knots, degree);
  const last = first + multiplicity - 1;
  return [
    Math.max(start, knots[Math.max(0, first - degree - 1 + multiplicity - times)]!),
    Math.min(end, knots[Math.min(knots.length - 1, last + degree + 1 - multiplicity + times)]!),
  ];
}

/** The knot at `u`, if one may be taken out there. */
function removableKnot(curve: Curve, u: number): KnotWithMultiplicity {
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

function removePeriodic(curve: Curve, knot: KnotWithMultiplicity, times: number): Curve {
  const { degree, knots } = curve;
  const [start, end] = domainOf(knots, degree);
  const list = knotsOfOnePeriod(curve).map(({ value, multiplicity }) => ({
    value,
    multiplicity: value === knot.value ? multiplicity - times : multiplicity,
  }));
  if (list[0]!.multiplicity === 0) {
    throw new CurveError('unsupported', told('seamKnot', { knot: start }), { value: start });
  }
  const coarse = periodicKnotVector(
    list.filter(({ multiplicity }) => multiplicity > 0),
    end,
    degree,
  );
  const count = distinctPointCount(curve) - times;
  const unit: Curve = { degree, knots: coarse, points: wrapped(unitPoints(count), degree), periodic: true };
  const matrix = insertKnot(unit, knot.value, times).points.slice(0, count + times);
  const rows = homogeneousRows(withoutPeriod(curve)).slice(0, count + times);
  const solved = solveDenseLeastSquares(matrix, rows);
  return periodicOfRows(dimensionOf(curve) > 0 ? curve : unit, coarse, solved);
}
