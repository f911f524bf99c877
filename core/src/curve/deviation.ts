import { refuseSignedWeights } from './betweenPoles.js';
import { told } from '../told/told.js';
import type { Curve, Point } from './curve.js';
import { CurveError } from './error.js';
import { pointsAt } from './evaluateMany.js';
import { pointAt } from './evaluate.js';
import { domainOf, spansOf } from './knotVector.js';
import { dimensionOf } from './curve.js';
import { distance } from './vector.js';

/** The largest distance that was found between two curves, and where. */
export interface Deviation {
  readonly distance: number;
  /** Parameter of the first curve. */
  readonly parameter: number;
  readonly point: Point;
}

/**
 * The largest distance of the points of two curves at the same share of their domains: for curves that
 * were made from one another. It is looked for at `perSpan` places in every span of either curve, and
 * each of the largest is followed to its peak.
 * @param between only these parameters of the first curve, where not the whole domain
 * @returns distance, parameter and point of the first curve
 * @throws CurveError `point` where one curve is plane and the other is not
 */
export function largestDeviation(
  first: Curve,
  second: Curve,
  between?: readonly [number, number],
  perSpan = 12,
): Deviation {
  refuseSignedWeights(first);
  refuseSignedWeights(second);
  if (dimensionOf(first) !== dimensionOf(second)) {
    throw new CurveError('point', told('comparisonOfMixedDimensions'));
  }
  const [start, end] = domainOf(first.knots, first.degree);
  const [otherStart, otherEnd] = domainOf(second.knots, second.degree);
  const same = start === otherStart && end === otherEnd;
  const scale = (otherEnd - otherStart) / (end - start);
  const there = (u: number): number =>
    same ? u : Math.min(otherEnd, Math.max(otherStart, otherStart + (u - start) * scale));
  const back = (v: number): number => (same ? v : start + (v - otherStart) / scale);
  const [from, to] = between ?? [start, end];
  const breaks = [
    from,
    ...spansOf(first.knots, first.degree).map((span) => span.end),
    ...spansOf(second.knots, second.degree).map((span) => back(span.end)),
    to,
  ]
    .filter((u) => u >= from && u <= to)
    .sort((a, b) => a - b)
    .filter((u, index, all) => index === 0 || u > all[index - 1]!);
  const steps = Math.max(perSpan, first.degree + second.degree + 2);
  const parameters: number[] = [];
  breaks.slice(1).forEach((stop, index) => {
    const begin = breaks[index]!;
    for (let k = 0; k < steps; k++) parameters.push(begin + ((stop - begin) * k) / steps);
  });
  parameters.push(breaks.at(-1)!);
  const dimension = dimensionOf(first);
  const a = pointsAt(first, parameters);
  const b = pointsAt(second, parameters.map(there));
  const distances = parameters.map((_, k) =>
    distance(
      [...a.subarray(k * dimension, (k + 1) * dimension)],
      [...b.subarray(k * dimension, (k + 1) * dimension)],
    ),
  );
  const at = (u: number): number => distance(pointAt(first, u), pointAt(second, there(u)));
  let best = { distance: -1, parameter: from };
  const largest = Math.max(...distances);
  distances.forEach((value, k) => {
    if (value > best.distance) best = { distance: value, parameter: parameters[k]! };
    const rising = k > 0 && k < distances.length - 1;
    if (rising && value >= distances[k - 1]! && value >= distances[k + 1]! && value > 0.8 * largest) {
      const peak = peakOf(at, parameters[k - 1]!, parameters[k + 1]!);
      if (peak.distance > best.distance) best = peak;
    }
  });
  return { ...best, point: pointAt(first, best.parameter) };
}

/** The largest value of a function between two places, by golden section; it must rise, then fall. */
export function peakOf(
  value: (u: number) => number,
  from: number,
  to: number,
  steps = 40,
): { distance: number; parameter: number } {
  const ratio = (Math.sqrt(5) - 1) / 2;
  let [low, high] = [from, to];
  let [left, right] = [high - ratio * (high - low), low + ratio * (high - low)];
  let [atLeft, atRight] = [value(left), value(right)];
  for (let step = 0; step < steps && high - low > 1e-12 * (to - from); step++) {
    if (atLeft > atRight) {
      [high, right, atRight] = [right, left, atLeft];
      left = high - ratio * (high - low);
      atLeft = value(left);
    } else {
      [low, left, atLeft] = [left, right, atRight];
      right = low + ratio * (high - low);
      atRight = value(right);
    }
  }
  return atLeft > atRight ? { distance: atLeft, parameter: left } : { distance: atRight, parameter: right };
}
