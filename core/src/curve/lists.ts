import { told } from '../told/told.js';
import type { Curve, Point } from './curve.js';
import { CurveError } from './error.js';
import { fullKnotList } from './knotVector.js';
import { withSettledKnots } from './settleKnots.js';
import { validateCurve } from './validate.js';

/** The two ways to write a knot list. */
export type KnotConvention = 'full' | 'short';

/**
 * A list repeated from its start until it has a length: 1, √2/2 to nine is 1, √2/2, 1, …, 1.
 * @throws CurveError `argument` where the pattern is empty or the length is no whole number
 */
export function repeatPattern<T>(pattern: readonly T[], length: number): T[] {
  if (pattern.length === 0 || !Number.isInteger(length) || length < 0) {
    throw new CurveError('argument', told('patternLength', { count: pattern.length, length }), {
      value: length,
    });
  }
  return Array.from({ length }, (_, k) => pattern[k % pattern.length]!);
}

/**
 * In which convention a list of knots is written, by its count: the full one has degree + 1 more values
 * than there are points, the short one, without the first and the last value, degree − 1 more.
 * @throws CurveError `knot-count`, which names both counts that would fit
 */
export function knotConventionOf(count: number, degree: number, pointCount: number): KnotConvention {
  if (count === pointCount + degree + 1) return 'full';
  if (count === pointCount + degree - 1) return 'short';
  throw new CurveError(
    'knot-count',
    told('knotCountWithOrWithoutEnds', {
      found: count,
      count: pointCount,
      degree,
      all: pointCount + degree + 1,
      inner: pointCount + degree - 1,
    }),
    { value: count },
  );
}

/**
 * A curve from lists of points, weights and knots. Knots may be written in either convention; a short
 * list of weights is repeated as a pattern. Knots that can't be told apart become equal.
 * @param weights none for a polynomial curve
 * @param signedWeights whether weights of zero and below are allowed
 * @throws CurveError for whatever is wrong in the lists, with the index
 */
export function curveFromLists(
  degree: number,
  points: readonly Point[],
  knots: readonly number[],
  weights: readonly number[] = [],
  signedWeights = false,
): Curve {
  const convention = knotConventionOf(knots.length, degree, points.length);
  const given: Curve = {
    degree,
    knots: convention === 'full' ? knots : fullKnotList(knots),
    points,
    ...(weights.length === 0 ? {} : { weights: listOfWeights(weights, points.length) }),
    ...(signedWeights && { signedWeights: true }),
  };
  // A list with a value that is no number is told as it stands.
  const curve = knots.every((knot) => Number.isFinite(knot)) ? withSettledKnots(given) : given;
  validateCurve(curve);
  return curve;
}

function listOfWeights(weights: readonly number[], count: number): readonly number[] {
  return weights.length >= count ? weights : repeatPattern(weights, count);
}
