import { told } from '../told/told.js';
import { CurveError } from './error.js';
import type { Side } from './curve.js';

const minimumDegree = 1;
export const maximumDegree = 9;

/** Two knots are the same when they differ by less than this fraction of the domain's length. */
export const relativeKnotTolerance = 1e-9;

/** A knot value with the number of times it stands in the vector. */
export interface KnotWithMultiplicity {
  readonly value: number;
  readonly multiplicity: number;
  /** Index of its first occurrence in the full knot vector. */
  readonly first: number;
}

/** A span of non-zero length: `knots[index] < knots[index + 1]`, inside the domain. */
export interface Span {
  readonly index: number;
  readonly start: number;
  readonly end: number;
}

/**
 * Checks that `degree` is an integer from 1 to 9.
 * @throws CurveError `degree`
 */
export function validateDegree(degree: number): void {
  if (!Number.isInteger(degree) || degree < minimumDegree || degree > maximumDegree) {
    throw new CurveError('degree', told('degree', { degree }), {
      value: degree,
    });
  }
}

/**
 * Checks a full knot vector for `pointCount` control points: right length, finite, non-decreasing, a
 * domain of positive length, no multiplicity above degree + 1, and no two knots closer than the tolerance of
 * sameness without being equal (`settleKnots` makes them so).
 * @throws CurveError `degree`, `point-count`, `knot-count`, `knot`, `knot-order`, `knot-multiplicity`
 * or `empty-domain`, with the index and the value at fault
 */
export function validateKnots(knots: readonly number[], degree: number, pointCount: number): void {
  validateDegree(degree);
  if (!Number.isInteger(pointCount) || pointCount < degree + 1) {
    throw new CurveError(
      'point-count',
      told('tooFewPoints', { degree, least: degree + 1, count: pointCount }),
      { value: pointCount },
    );
  }
  const expected = pointCount + degree + 1;
  if (knots.length !== expected) {
    throw new CurveError(
      'knot-count',
      told('knotCount', { found: knots.length, count: pointCount, degree, expected }),
      { value: knots.length },
    );
  }
  for (let index = 0; index < knots.length; index++) {
    const value = knots[index];
    if (typeof value !== 'number' || !Number.isFinite(value)) {
      throw new CurveError('knot', told('knotNotFinite', { index, value: value! }), {
        index,
        value,
      });
    }
    if (index > 0 && value < knots[index - 1]!) {
      throw new CurveError(
        'knot-order',
        told('knotOrder', { index, value, before: index - 1, previous: knots[index - 1]! }),
        { index, value },
      );
    }
    if (index > degree && value === knots[index - degree - 1]) {
      throw new CurveError(
        'knot-multiplicity',
        told('knotMultiplicity', { index, value, most: degree + 1, degree }),
        { index, value },
      );
    }
  }
  const [start, end] = [knots[degree]!, knots[pointCount]!];
  if (!(end > start)) {
    throw new CurveError('empty-domain', told('emptyDomain', { start, end }), { value: start });
  }
  const least = relativeKnotTolerance * (end - start);
  for (let index = 1; index < knots.length; index++) {
    const [before, value] = [knots[index - 1]!, knots[index]!];
    if (value === before || value - before >= least) continue;
    throw new CurveError(
      'knot-order',
      told('knotsTooClose', { before: index - 1, index, gap: value - before, least }),
      { index, value },
    );
  }
}

/**
 * By how much two knots may differ that are the same but for the rounding of a shift by whole periods: far less than the
 * tolerance of sameness, so that neighbours that can be told apart are not mistaken for each other.
 */
export function knotRounding(knots: readonly number[]): number {
  return 2 ** -48 * Math.max(Math.abs(knots[0]!), Math.abs(knots.at(-1)!));
}

/** The parameter interval `[U_p, U_n]` on which a curve with these knots is defined. */
export function domainOf(knots: readonly number[], degree: number): readonly [number, number] {
  return [knots[degree]!, knots[knots.length - degree - 1]!];
}

/**
 * The clamped knot vector with equally spaced interior knots (P&T 2.2).
 * @param pointCount number of control points, at least degree + 1
 * @param start,end the domain, `start < end`; 0 and 1 where not given
 * @throws CurveError `degree`, `point-count`, `empty-domain`
 */
export function clampedUniformKnots(pointCount: number, degree: number, start = 0, end = 1): number[] {
  const knots: number[] = [];
  const spans = pointCount - degree;
  for (let index = 0; index <= degree; index++) knots.push(start);
  for (let index = 1; index < spans; index++) knots.push(start + ((end - start) * index) / spans);
  for (let index = 0; index <= degree; index++) knots.push(end);
  validateKnots(knots, degree, pointCount);
  return knots;
}

/**
 * The clamped knot vector with given interior knots.
 * @param interior distinct values strictly between `start` and `end`, ascending, with multiplicities
 */
export function clampedKnotVector(
  start: number,
  end: number,
  interior: readonly Pick<KnotWithMultiplicity, 'value' | 'multiplicity'>[],
  degree: number,
): number[] {
  return [
    ...Array<number>(degree + 1).fill(start),
    ...interior.flatMap(({ value, multiplicity }) => Array<number>(multiplicity).fill(value)),
    ...Array<number>(degree + 1).fill(end),
  ];
}

/** Whether both ends have multiplicity degree + 1, so that the curve starts and ends at control points. */
export function isClamped(knots: readonly number[], degree: number): boolean {
  const last = knots.length - 1;
  return knots[0] === knots[degree] && knots[last] === knots[last - degree];
}

/**
 * The distinct values of a knot vector with their multiplicities, in order. Values closer together than
 * 1e-9 of the domain's length count as one, the first of them.
 */
export function distinctKnots(knots: readonly number[], degree: number): KnotWithMultiplicity[] {
  const [start, end] = domainOf(knots, degree);
  const tolerance = relativeKnotTolerance * (end - start);
  const distinct: { value: number; multiplicity: number; first: number }[] = [];
  knots.forEach((value, index) => {
    const last = distinct.at(-1);
    if (last && value - last.value < tolerance) last.multiplicity++;
    else distinct.push({ value, multiplicity: 1, first: index });
  });
  return distinct;
}

/** The distinct knots strictly inside the domain, where spans meet. */
export function interiorKnots(knots: readonly number[], degree: number): KnotWithMultiplicity[] {
  const [start, end] = domainOf(knots, degree);
  const tolerance = relativeKnotTolerance * (end - start);
  return distinctKnots(knots, degree).filter(
    ({ value }) => value - start >= tolerance && end - value >= tolerance,
  );
}

/**
 * The Greville abscissae, one for each control point: the mean of the p knots U_{i+1} … U_{i+p}
 * (dB IX). They are non-decreasing, and strictly increasing where no interior multiplicity exceeds p.
 */
export function grevilleAbscissae(knots: readonly number[], degree: number): number[] {
  const count = knots.length - degree - 1;
  const abscissae: number[] = [];
  for (let index = 0; index < count; index++) {
    let sum = 0;
    for (let offset = 1; offset <= degree; offset++) sum += knots[index + offset]!;
    // A rounded mean may leave the interval of its knots by one ulp; the clamp makes repeats exact.
    abscissae.push(Math.min(knots[index + degree]!, Math.max(knots[index + 1]!, sum / degree)));
  }
  return abscissae;
}

/** The short list, without the first and the last value: a way to show knots, never to store them. */
export function shortKnotList(knots: readonly number[]): number[] {
  return knots.slice(1, -1);
}

/** The full knot vector of a short list: the first and the last value are repeated once more. */
export function fullKnotList(short: readonly number[]): number[] {
  return short.length === 0 ? [] : [short[0]!, ...short, short.at(-1)!];
}

/** All spans of non-zero length inside the domain, in order. */
export function spansOf(knots: readonly number[], degree: number): Span[] {
  const spans: Span[] = [];
  for (let index = degree; index < knots.length - degree - 1; index++) {
    const start = knots[index]!;
    const end = knots[index + 1]!;
    if (end > start) spans.push({ index, start, end });
  }
  return spans;
}

/**
 * Index k of the knot span that holds `u` (P&T A2.1): `U_k ≤ u < U_{k+1}` from the right, and
 * `U_k < u ≤ U_{k+1}` from the left. The end of the domain belongs to the last span, its start to the
 * first, whichever side is asked for.
 * @param u a parameter in the domain
 * @throws CurveError `parameter` when `u` is NaN or outside the domain
 */
export function findSpan(knots: readonly number[], degree: number, u: number, side: Side = 'right'): number {
  const [start, end] = domainOf(knots, degree);
  if (!(u >= start && u <= end)) {
    throw new CurveError('parameter', told('parameterOutside', { parameter: u, start, end }), {
      value: u,
    });
  }
  const fromLeft = (side === 'left' && u > start) || u === end;
  let low = degree;
  let high = knots.length - degree - 1;
  // Invariant: knots[low] is at or before u, knots[high] after it (by the side's meaning of "before").
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    const before = fromLeft ? knots[middle]! < u : knots[middle]! <= u;
    if (before) low = middle;
    else high = middle;
  }
  return low;
}

/** How often a knot stands at `u`; 0 where there is none within the tolerance of sameness. */
export function multiplicityAt(
  { knots, degree }: { knots: readonly number[]; degree: number },
  u: number,
): number {
  const [start, end] = domainOf(knots, degree);
  const near = relativeKnotTolerance * (end - start);
  return distinctKnots(knots, degree).find(({ value }) => Math.abs(value - u) <= near)?.multiplicity ?? 0;
}
