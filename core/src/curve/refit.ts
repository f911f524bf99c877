import { refuseSignedWeights } from './betweenPoles.js';
import { told } from '../told/told.js';
import { dimensionOf, type Curve } from './curve.js';
import { largestDeviation } from './deviation.js';
import { CurveError } from './error.js';
import { pointsAt } from './evaluateMany.js';
import { clampedKnotVector, domainOf, spansOf, validateDegree } from './knotVector.js';
import { arcLengthTable } from './arcLength.js';
import { periodicKnotVector, wrapped } from './periodic.js';
import type { Approximation } from './removeKnot.js';
import type { SpanPolynomials } from './spanPolynomials.js';
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

/** Ends of spans that may suit a curve: even by the parameter, even by its length, and at shares of its own spans. */
function breakCandidates(curve: Curve, spanCount: number): number[][] {
  const table = arcLengthTable(curve);
  const [start, end] = domainOf(curve.knots, curve.degree);
  const even = Array.from({ length: spanCount + 1 }, (_, k) =>
    k === spanCount ? end : start + ((end - start) * k) / spanCount,
  );
  const candidates = [even];
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

/**
 * The least-squares curve with knots at the inner breaks, on the source's domain and parameter.
 * @param multiplicityOf how often the knot at a break stands, once where not given
 * @param prepared the curve, ready for evaluation, where many are fitted to one
 */
export function fitWithBreaks(
  curve: Curve,
  degree: number,
  breaks: readonly number[],
  multiplicityOf: (value: number) => number = () => 1,
  prepared: Curve | SpanPolynomials = curve,
): Curve {
  const repeated = (list: readonly number[]): { value: number; multiplicity: number }[] =>
    list.map((value) => ({ value, multiplicity: multiplicityOf(value) }));
  const [start, end] = [breaks[0]!, breaks.at(-1)!];
  const space: SplineSpace = curve.periodic
    ? { degree, knots: periodicKnotVector(repeated(breaks.slice(0, -1)), end, degree), periodic: true }
    : { degree, knots: clampedKnotVector(start, end, repeated(breaks.slice(1, -1)), degree) };
  const dimension = dimensionOf(curve);
  // Enough samples for every span of the source, however many there are in one span of the result.
  const ratio = spansOf(curve.knots, curve.degree).length / (breaks.length - 1);
  const perSpan = Math.min(400, Math.ceil((2 * (degree + curve.degree) + 2) * Math.max(1, ratio)));
  const parameters = samplingParameters(space, perSpan);
  const values = pointsAt(prepared, parameters);
  if (space.periodic) {
    const points = fitRows(space, parameters, values, dimension);
    return { degree, knots: space.knots, points: wrapped(points, degree), periodic: true };
  }
  const ends = [pointAt(curve, start), pointAt(curve, end, 'left')] as const;
  return { degree, knots: space.knots, points: fitRows(space, parameters, values, dimension, ends) };
}
