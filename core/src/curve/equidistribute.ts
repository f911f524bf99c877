import type { Curve } from './curve.js';
import { derivativesAt } from './evaluate.js';
import { spansOf } from './knotVector.js';

/**
 * The best places for the knots of a spline of the same degree with fewer spans: so that the (p + 1)-th
 * root of the size of the (p + 1)-th derivative, read off the jumps of the p-th, has the same integral
 * over each span (dB XII, knot placement by equidistribution).
 * @param curve without weights, more finely divided than what is wanted
 * @param spanCount how many spans, 1 or more
 * @param apart knots at which the curve is less smooth by intent, so that the jump there says nothing of its derivative
 * @returns the `spanCount − 1` inner knots, strictly ascending
 */
export function equidistributedBreaks(
  curve: Curve,
  spanCount: number,
  apart: ReadonlySet<number> = new Set(),
): number[] {
  return equidistribute(...knotDensity(curve, apart), spanCount);
}

/** How dense the knots of a spline of the same degree are to stand on each of a curve's spans. */
export function knotDensity(
  curve: Curve,
  apart: ReadonlySet<number> = new Set(),
): [ends: readonly number[], densities: readonly number[]] {
  const { degree } = curve;
  const spans = spansOf(curve.knots, degree);
  const highest = spans.map((span) => derivativesAt(curve, (span.start + span.end) / 2, degree)[degree]!);
  const jumps = spans.slice(1).map((span, k) => {
    if (apart.has(span.start)) return 0;
    const width = (span.end - spans[k]!.start) / 2;
    return Math.hypot(...highest[k + 1]!.map((value, axis) => value - highest[k]![axis]!)) / width;
  });
  const largest = Math.max(0, ...jumps);
  const densities = spans.map((_, k) => {
    const around = [jumps[k - 1], jumps[k]].filter((value) => value !== undefined);
    const mean = around.reduce((sum, value) => sum + value, 0) / Math.max(1, around.length);
    // A small share everywhere, so that a stretch of constant curvature is not left without knots.
    return (mean + 1e-6 * largest) ** (1 / (degree + 1));
  });
  return [[spans[0]!.start, ...spans.map((span) => span.end)], densities];
}

/**
 * Places between which a density, constant between given ends, has the same integral.
 * @returns `spanCount − 1` places, strictly ascending, or fewer where they coincide
 */
export function equidistribute(
  ends: readonly number[],
  densities: readonly number[],
  spanCount: number,
): number[] {
  const [start, end] = [ends[0]!, ends.at(-1)!];
  const integrals = [0];
  densities.forEach((density, k) => integrals.push(integrals[k]! + density * (ends[k + 1]! - ends[k]!)));
  const total = integrals.at(-1)!;
  const breaks: number[] = [];
  for (let k = 1; k < spanCount; k++) {
    if (!(total > 0)) {
      breaks.push(start + ((end - start) * k) / spanCount);
      continue;
    }
    const wanted = (total * k) / spanCount;
    let span = 0;
    while (span < densities.length - 1 && integrals[span + 1]! <= wanted) span++;
    breaks.push(ends[span]! + (wanted - integrals[span]!) / densities[span]!);
  }
  return breaks.filter((u, k) => u > (breaks[k - 1] ?? start) && u < end);
}

/**
 * The smallest whole number from `low` below `high` for which an attempt succeeds, by halving: an attempt
 * that succeeds with some number is taken to succeed with more.
 * @returns what the attempt gave, or `undefined` where none succeeded
 */
export function fewest<Result>(
  low: number,
  high: number,
  attempt: (count: number) => Result | undefined,
): Result | undefined {
  let found: Result | undefined;
  while (low < high) {
    const middle = (low + high) >> 1;
    const result = attempt(middle);
    if (result === undefined) low = middle + 1;
    else {
      found = result;
      high = middle;
    }
  }
  return found;
}
