import { refuseSignedWeights } from './betweenPoles.js';
import { told } from '../told/told.js';
import { dimensionOf, type Curve } from './curve.js';
import { largestDeviation } from './deviation.js';
import { equidistributedBreaks, fewest } from './equidistribute.js';
import { CurveError } from './error.js';
import { pointsAt } from './evaluateMany.js';
import { clampedKnotVector, domainOf, spansOf, validateDegree } from './knotVector.js';
import { arcLengthTable } from './arcLength.js';
import { periodicKnotVector, wrapped } from './periodic.js';
import type { Approximation } from './removeKnot.js';
import { fitRows, samplingParameters, type SplineSpace } from './splineSpace.js';
import { pointAt } from './evaluate.js';

/**
 * The best curve of a chosen degree and number of spans, without weights, parameter by parameter by least
 * squares (P&T 9.4); the ends of an open curve are held, a periodic one stays periodic. Its simple knots
 * are placed evenly by the parameter, evenly by arc length, or at shares of the old spans, whichever lies
 * closest.
 * @param degree 1 to 9
 * @param spanCount 1 or more; a periodic curve needs 2
 * @throws CurveError `degree`, `argument` (span count)
 */
export function refitCurve(curve: Curve, degree: number, spanCount: number): Approximation {
  refuseSignedWeights(curve);
  validateDegree(degree);
  const least = curve.periodic ? 2 : 1;
  if (!Number.isInteger(spanCount) || spanCount < least || spanCount > maximumSpanCount) {
    throw new CurveError('argument', told('spanCount', { count: spanCount, least, most: maximumSpanCount }), {
      value: spanCount,
    });
  }
  const candidates = breakCandidates(curve, spanCount);
  let best: Approximation | undefined;
  for (const breaks of candidates) {
    const fitted = fitWithBreaks(curve, degree, breaks);
    const candidate = { curve: fitted, deviation: largestDeviation(curve, fitted) };
    if (!best || candidate.deviation.distance < best.deviation.distance) best = candidate;
  }
  return best!;
}

/** The largest number of spans that a refit or a fit makes. */
export const maximumSpanCount = 500;

/** A curve that was made within a tolerance, or came as near as it could. */
export interface ToleranceFit extends Approximation {
  /** Whether the deviation is within the tolerance that was asked for. */
  readonly reached: boolean;
}

/**
 * A curve of a chosen degree, without weights, that stays within a tolerance of another with as few spans
 * as were found: one more where it is farthest off, until it is near enough; then every knot that is not
 * needed goes (P&T 9.4.3).
 * @param tolerance largest distance, above 0, in the drawing's unit
 * @throws CurveError `degree`, `tolerance`
 */
export function fitCurveToTolerance(curve: Curve, degree: number, tolerance: number): ToleranceFit {
  refuseSignedWeights(curve);
  validateDegree(degree);
  validateTolerance(tolerance);
  const [start, end] = domainOf(curve.knots, curve.degree);
  const least = curve.periodic ? 2 : 1;
  const attempt = (inner: readonly number[]): Approximation => {
    const fitted = fitWithBreaks(curve, degree, [start, ...inner, end]);
    return { curve: fitted, deviation: largestDeviation(curve, fitted) };
  };
  let inner: number[] = least === 2 ? [(start + end) / 2] : [];
  let best = attempt(inner);
  while (best.deviation.distance > tolerance && inner.length < maximumSpanCount - 1) {
    // A corner of the source takes a knot of its own; elsewhere the worst span is halved.
    const worst = best.deviation.parameter;
    const ends = [start, ...inner, end];
    const after = ends.findIndex((u, index) => index > 0 && u >= worst);
    const [from, to] = [ends[after - 1]!, ends[after]!];
    if (to - from < 1e-6 * (end - start)) break;
    inner = [...inner, (from + to) / 2].sort((a, b) => a - b);
    best = attempt(inner);
  }
  const reached = best.deviation.distance <= tolerance;
  if (reached) {
    const pruned = pruneBreaks(inner, least - 1, (breaks) => {
      const candidate = attempt(breaks);
      return candidate.deviation.distance <= tolerance ? candidate : undefined;
    });
    if (pruned) best = pruned.result;
    const fine = best.curve;
    // Knots placed anew, by the derivatives of the curve that was found or evenly, are sometimes fewer.
    const placed = fewest(least, (pruned?.breaks ?? inner).length + 1, (spanCount) => {
      const candidates = [refitCurve(curve, degree, spanCount)];
      const breaks = equidistributedBreaks(fine, spanCount);
      if (breaks.length === spanCount - 1) candidates.push(attempt(breaks));
      return candidates.find(({ deviation }) => deviation.distance <= tolerance);
    });
    if (placed) best = placed;
  }
  return { ...best, reached };
}

/** @throws CurveError `tolerance` unless it is finite and above zero */
export function validateTolerance(tolerance: number): void {
  if (!(tolerance > 0 && Number.isFinite(tolerance))) {
    throw new CurveError('tolerance', told('tolerance', { tolerance }), {
      value: tolerance,
    });
  }
}

/**
 * Takes away breaks one after the other as long as an attempt without one succeeds, each time the first whose
 * removal is found to do no harm.
 * @param least how many must stay
 * @param attempt gives a result, or `undefined` where it fails
 * @returns the breaks that are left with their result, or `undefined` where none could go
 */
export function pruneBreaks<Result>(
  breaks: readonly number[],
  least: number,
  attempt: (breaks: readonly number[]) => Result | undefined,
): { breaks: readonly number[]; result: Result } | undefined {
  let kept = breaks;
  let last: { breaks: readonly number[]; result: Result } | undefined;
  for (let index = 0; index < kept.length && kept.length > least;) {
    const without = kept.toSpliced(index, 1);
    // Neighbours move to share the gap.
    const spread = without.map((u, k) => {
      if (k !== index && k !== index - 1) return u;
      const [before, after] = [without[k - 1], without[k + 1]];
      const gone = kept[index]!;
      const moved = (u + gone) / 2;
      return (before === undefined || moved > before) && (after === undefined || moved < after) ? moved : u;
    });
    const result = attempt(without) ?? attempt(spread.toSorted((a, b) => a - b));
    if (result === undefined) {
      index++;
      continue;
    }
    kept = without;
    last = { breaks: kept, result };
  }
  return last;
}

function breakCandidates(curve: Curve, spanCount: number): number[][] {
  const [start, end] = domainOf(curve.knots, curve.degree);
  const even = Array.from({ length: spanCount + 1 }, (_, k) =>
    k === spanCount ? end : start + ((end - start) * k) / spanCount,
  );
  const candidates = [even];
  const table = arcLengthTable(curve);
  const total = table.length;
  if (total > 0) {
    const byLength = even.map((_, k) => table.parameterAt((total * k) / spanCount));
    byLength[0] = start;
    byLength[spanCount] = end;
    if (byLength.every((u, k) => k === 0 || u > byLength[k - 1]! + 1e-9 * (end - start))) {
      candidates.push(byLength);
    }
  }
  const spans = spansOf(curve.knots, curve.degree);
  const old = [start, ...spans.map((span) => span.end)];
  const bySpans = even.map((_, k) => {
    const place = (k * spans.length) / spanCount;
    const whole = Math.min(spans.length - 1, Math.floor(place));
    return old[whole]! + (place - whole) * (old[whole + 1]! - old[whole]!);
  });
  bySpans[spanCount] = end;
  candidates.push(bySpans);
  return candidates;
}

/** The least-squares curve with simple knots at the inner breaks, on the source's domain and parameter. */
function fitWithBreaks(curve: Curve, degree: number, breaks: readonly number[]): Curve {
  const simple = (list: readonly number[]): { value: number; multiplicity: number }[] =>
    list.map((value) => ({ value, multiplicity: 1 }));
  const [start, end] = [breaks[0]!, breaks.at(-1)!];
  const space: SplineSpace = curve.periodic
    ? { degree, knots: periodicKnotVector(simple(breaks.slice(0, -1)), end, degree), periodic: true }
    : { degree, knots: clampedKnotVector(start, end, simple(breaks.slice(1, -1)), degree) };
  const dimension = dimensionOf(curve);
  // Enough samples for every span of the source, however many there are in one span of the result.
  const ratio = spansOf(curve.knots, curve.degree).length / (breaks.length - 1);
  const perSpan = Math.min(400, Math.ceil((2 * (degree + curve.degree) + 2) * Math.max(1, ratio)));
  const parameters = samplingParameters(space, perSpan);
  const values = pointsAt(curve, parameters);
  if (space.periodic) {
    const points = fitRows(space, parameters, values, dimension);
    return { degree, knots: space.knots, points: wrapped(points, degree), periodic: true };
  }
  const ends = [pointAt(curve, start), pointAt(curve, end, 'left')] as const;
  return { degree, knots: space.knots, points: fitRows(space, parameters, values, dimension, ends) };
}
