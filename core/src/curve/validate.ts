import { told } from '../told/told.js';
import type { Curve, Point } from './curve.js';
import { CurveError } from './error.js';
import { domainOf, knotRounding, spansOf, validateKnots } from './knotVector.js';
import { knotsOfOnePeriod } from './periodic.js';

/**
 * Checks that a curve is whole: degree 1 to 9, a valid knot vector, finite points of one dimension
 * (2 or 3) and of a size that can be calculated with (1e-40 to 1e40, or all zero), and, where there are weights, one finite weight for each point, positive where the curve does not
 * allow others.
 * @throws CurveError naming the value and its index
 */
export function validateCurve(curve: Curve): void {
  validateKnots(curve.knots, curve.degree, curve.points.length);
  const dimension = curve.points[0]!.length;
  curve.points.forEach((point, index) => {
    if (point.length !== dimension || dimension < 2 || dimension > 3) {
      throw new CurveError('point', told('controlPointDimension', { index, count: point.length }), {
        index,
        value: point,
      });
    }
    const wrong = point.find((coordinate) => typeof coordinate !== 'number' || !Number.isFinite(coordinate));
    if (wrong !== undefined) {
      throw new CurveError('point', told('controlPointNotFinite', { index, value: wrong }), {
        index,
        value: wrong,
      });
    }
  });
  validateSize(curve);
  const { weights } = curve;
  if (weights !== undefined) validateWeights(curve, weights);
  if (curve.periodic) validatePeriodic(curve);
}

/** The largest coordinate of a curve lies between these, or is zero: its sixth power, as in the change of curvature, is a number. */
const sizes = [1e-40, 1e40] as const;

/** Whether points are finite and of a size that can be calculated with. */
export function haveMeasurableSize(points: readonly Point[]): boolean {
  const { size } = largestCoordinate(points);
  return size === 0 || (size >= sizes[0] && size <= sizes[1]);
}

/** The largest coordinate without its sign, and which point has it; the first that is no finite number where there is one. */
function largestCoordinate(points: readonly Point[]): { size: number; index: number } {
  let [size, index] = [0, 0];
  for (const [k, point] of points.entries()) {
    for (const coordinate of point) {
      if (!Number.isFinite(coordinate)) return { size: coordinate, index: k };
      if (Math.abs(coordinate) > size) [size, index] = [Math.abs(coordinate), k];
    }
  }
  return { size, index };
}

function validateSize({ points }: Curve): void {
  if (haveMeasurableSize(points)) return;
  const { size, index } = largestCoordinate(points);
  throw new CurveError('point', told('curveSize', { index, size, least: sizes[0], most: sizes[1] }), {
    index,
    value: size,
  });
}

/** Where weights of any sign are allowed, those of another size can't be told from zero, or from infinity. */
const signedWeightSizes = [1e-9, 1e9] as const;

function validateWeights(curve: Curve, weights: readonly number[]): void {
  if (weights.length !== curve.points.length) {
    throw new CurveError(
      'weight-count',
      told('weightCount', { weights: weights.length, points: curve.points.length }),
      { value: weights.length },
    );
  }
  weights.forEach((weight, index) => {
    const size = Math.abs(weight);
    const isAllowed = curve.signedWeights
      ? size === 0 || (size >= signedWeightSizes[0] && size <= signedWeightSizes[1])
      : Number.isFinite(weight) && weight > 0;
    if (isAllowed) return;
    const [least, most] = signedWeightSizes;
    throw new CurveError(
      'weight',
      curve.signedWeights
        ? told('signedWeight', { index, weight, least, most })
        : told('weight', { index, weight }),
      { index, value: weight },
    );
  });
  // With no weight at all over a span there is no curve on it.
  for (const { index, start, end } of curve.signedWeights ? spansOf(curve.knots, curve.degree) : []) {
    const first = index - curve.degree;
    if (weights.slice(first, index + 1).some((weight) => weight !== 0)) continue;
    throw new CurveError('weight', told('weightsAllZero', { first, last: index, start, end }), {
      index: first,
      value: 0,
    });
  }
}

/**
 * Checks that a curve called periodic repeats its first p points and weights at its end, and its knots
 * after one period, and has no gap.
 * @throws CurveError `periodic` with the index that does not repeat, `knot-multiplicity`
 */
function validatePeriodic(curve: Curve): void {
  const { knots, degree, points, weights } = curve;
  const count = points.length - degree;
  const [start, end] = domainOf(knots, degree);
  const period = end - start;
  const rounding = 4 * knotRounding(knots);
  knots.forEach((knot, index) => {
    const next = knots[index + count];
    if (next !== undefined && Math.abs(next - knot - period) > rounding) {
      throw new CurveError(
        'periodic',
        told('periodicKnot', { index: index + count, found: next, expected: knot + period, twin: index }),
        { index: index + count, value: next },
      );
    }
  });
  const gap = knotsOfOnePeriod(curve).find(({ multiplicity }) => multiplicity > degree);
  if (gap) {
    throw new CurveError(
      'knot-multiplicity',
      told('periodicMultiplicity', { knot: gap.value, multiplicity: gap.multiplicity, degree }),
      { index: gap.first, value: gap.value },
    );
  }
  for (let index = count; index < points.length; index++) {
    const twin = index - count;
    if (points[index]!.some((coordinate, axis) => coordinate !== points[twin]![axis])) {
      throw new CurveError('periodic', told('periodicPoint', { index, twin }), {
        index,
        value: points[index],
      });
    }
    if (weights && weights[index] !== weights[twin]) {
      throw new CurveError(
        'periodic',
        told('periodicWeight', { index, found: weights[index]!, expected: weights[twin]!, twin }),
        { index, value: weights[index] },
      );
    }
  }
}

/**
 * Checks that `u` lies in the curve's domain.
 * @throws CurveError `parameter`
 */
export function validateParameter(curve: Curve, u: number): void {
  const [start, end] = domainOf(curve.knots, curve.degree);
  if (!(u >= start && u <= end)) {
    throw new CurveError('parameter', told('parameterOutside', { parameter: u, start, end }), {
      value: u,
    });
  }
}

/**
 * Checks that `index` names a control point of the curve.
 * @throws CurveError `index`
 */
export function validatePointIndex(curve: Curve, index: number): void {
  if (!Number.isInteger(index) || index < 0 || index >= curve.points.length) {
    throw new CurveError('index', told('noControlPoint', { index, last: curve.points.length - 1 }), {
      index,
      value: index,
    });
  }
}
