import { distinctPointCount, type Curve, type Point } from '@bogen/core/curve';

/** A weight point: on a leg of the control polygon, at the ratio of the weights of its ends. */
export interface WeightPoint {
  /** The index of the leg's first control point. */
  readonly index: number;
  readonly ends: readonly [Point, Point];
  /** The share of the leg, from 0 at the first end to 1 at the second: w₁ / (w₀ + w₁). */
  readonly share: number;
}

/** The weight points of a curve; none where it has no weights. */
export function weightPointsOf({ points, weights, ...rest }: Curve): readonly WeightPoint[] {
  if (!weights) return [];
  const count = distinctPointCount({ points, weights, ...rest });
  return points.slice(0, count - 1).map((point, index) => ({
    index,
    ends: [point, points[index + 1]!],
    share: weights[index + 1]! / (weights[index]! + weights[index + 1]!),
  }));
}

/** The weight that the leg's second end must have for its weight point to lie at a share; in three digits, as by hand. */
export function weightAt(curve: Curve, index: number, share: number): number {
  const first = curve.weights?.[index] ?? 1;
  return Number(((first * share) / (1 - share)).toPrecision(3));
}
