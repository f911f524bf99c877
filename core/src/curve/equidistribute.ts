import type { Curve } from './curve.js';
import { derivativesAt } from './evaluate.js';
import { domainOf, spansOf } from './knotVector.js';

/**
 * The best places for the knots of a spline of the same degree with fewer spans: so that the (p + 1)-th
 * root of the size of the (p + 1)-th derivative, read off the jumps of the p-th, has the same integral
 * over each span (dB XII, knot placement by equidistribution).
 * @param curve without weights, more finely divided than what is wanted
 * @param spanCount how many spans, 1 or more
 * @returns the `spanCount − 1` inner knots, strictly ascending
 */
export function equidistributedBreaks(curve: Curve, spanCount: number): number[] {
  const { degree } = curve;
  const [start, end] = domainOf(curve.knots, degree);
  const spans = spansOf(curve.knots, degree);
  const highest = spans.map((span) => derivativesAt(curve, (span.start + span.end) / 2, degree)[degree]!);
  const jumps = spans.slice(1).map((span, k) => {
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
  const integrals = [0];
  spans.forEach((span, k) => integrals.push(integrals[k]! + densities[k]! * (span.end - span.start)));
  const total = integrals.at(-1)!;
  const breaks: number[] = [];
  for (let k = 1; k < spanCount; k++) {
    if (!(total > 0)) {
      breaks.push(start + ((end - start) * k) / spanCount);
      continue;
    }
    const wanted = (total * k) / spanCount;
    let span = 0;
    while (span < spans.length - 1 && integrals[span + 1]! <= wanted) span++;
    breaks.push(spans[span]!.start + (wanted - integrals[span]!) / densities[span]!);
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
