import { told } from '../told/told.js';
import { refuseSignedWeights } from './betweenPoles.js';
import { dimensionOf, type Curve, type Point } from './curve.js';
import { peakOf } from './deviation.js';
import { CurveError } from './error.js';
import { pointAt } from './evaluate.js';
import { spansOf } from './knotVector.js';
import { nearestFinder } from './nearest.js';

/** The largest distance of two curves, whatever their parameters, and where it is. */
export interface LargestDistance {
  readonly distance: number;
  /** The farthest point and the point of the other curve nearest to it. */
  readonly onFirst: Point;
  readonly onSecond: Point;
  /** Their parameters on the first and the second curve. */
  readonly parameters: readonly [number, number];
}

/**
 * The symmetric Hausdorff distance: the distance from the other of the
 * farthest point on either curve. Each is looked at in several places of every span, and the farthest are followed to their peak
 * (Alt & Scharf 2008 on where peaks can be).
 * @param perSpan places in a span; where not given, by the degree
 * @throws CurveError `point` where one curve is plane and the other is not, `weight` where a weight is not positive
 */
export function largestDistance(first: Curve, second: Curve, perSpan?: number): LargestDistance {
  if (dimensionOf(first) !== dimensionOf(second)) {
    throw new CurveError('point', told('comparisonOfMixedDimensions'));
  }
  refuseSignedWeights(first);
  refuseSignedWeights(second);
  const there = farthestFrom(first, second, perSpan);
  const back = farthestFrom(second, first, perSpan);
  return there.distance >= back.distance
    ? {
        distance: there.distance,
        onFirst: there.from,
        onSecond: there.nearest,
        parameters: [there.parameter, there.nearestParameter],
      }
    : {
        distance: back.distance,
        onFirst: back.nearest,
        onSecond: back.from,
        parameters: [back.nearestParameter, back.parameter],
      };
}

/**
 * The one-sided Hausdorff distance: how far the farthest place of `curve` lies from all of `other`. Where an isometry
 * exchanges the two curves, as a curve and its mirror image, it is that of both sides.
 * @throws CurveError `point` where one curve is plane and the other is not, `weight` where a weight is not positive
 */
export function largestDistanceFrom(curve: Curve, other: Curve): number {
  if (dimensionOf(curve) !== dimensionOf(other)) {
    throw new CurveError('point', told('comparisonOfMixedDimensions'));
  }
  refuseSignedWeights(curve);
  refuseSignedWeights(other);
  return farthestFrom(curve, other).distance;
}

/** The place of `curve` that lies farthest from all of `other`. */
function farthestFrom(
  curve: Curve,
  other: Curve,
  perSpan = 2 * curve.degree + 4,
): { distance: number; parameter: number; nearestParameter: number; from: Point; nearest: Point } {
  const find = nearestFinder(other);
  const distanceAt = (u: number): number => find(pointAt(curve, u)).distance;
  const spans = spansOf(curve.knots, curve.degree);
  const parameters = spans.flatMap(({ start, end }) =>
    Array.from({ length: perSpan }, (_, k) => start + ((end - start) * k) / perSpan),
  );
  parameters.push(spans.at(-1)!.end);
  const distances = parameters.map(distanceAt);
  let best = 0;
  distances.forEach((value, k) => {
    if (value > distances[best]!) best = k;
  });
  let [parameter, distance] = [parameters[best]!, distances[best]!];
  distances.forEach((value, k) => {
    if (k === 0 || k === distances.length - 1) return;
    if (value < distances[k - 1]! || value < distances[k + 1]! || value < 0.7 * distances[best]!) return;
    const peak = peakOf(distanceAt, parameters[k - 1]!, parameters[k + 1]!, 36);
    if (peak.distance > distance) [parameter, distance] = [peak.parameter, peak.distance];
  });
  const from = pointAt(curve, parameter);
  const found = find(from);
  return {
    distance: found.distance,
    parameter,
    nearestParameter: found.parameter,
    from,
    nearest: found.point,
  };
}
