/** A point or vector: two or three finite coordinates. */
export type Point = readonly number[];

/**
 * A B-spline or NURBS curve as one plain, immutable value. Every function of the curve core takes such
 * values and returns new ones; none changes its arguments.
 *
 * The knot vector is always the full one, of length `points.length + degree + 1`; the domain is
 * `[knots[degree], knots[points.length]]`.
 */
export interface Curve {
  /** Degree p, 1 to 9. The order is p + 1. */
  readonly degree: number;
  /** Knot vector U, non-decreasing, n + p + 1 values for n control points. */
  readonly knots: readonly number[];
  /** Control points P₀ … Pₙ₋₁, all of the same dimension, 2 or 3. */
  readonly points: readonly Point[];
  /** Weights w₀ … wₙ₋₁, finite, and positive but for `signedWeights`. Absent for a polynomial curve. */
  readonly weights?: readonly number[];
  /**
   * Whether weights of zero and below are allowed. With one of them the curve may run to infinity and lies in no
   * hull (`betweenPoles.ts`); what can't do with such a curve refuses it.
   */
  readonly signedWeights?: true;
  /**
   * Whether the curve is periodic: the last p points and weights are the first p again, and the
   * knot vector repeats itself after the domain's length. What evaluates a curve may ignore
   * this; what changes one keeps it true (`periodic.ts`).
   */
  readonly periodic?: true;
}

/** The side from which a value at a knot is taken. */
export type Side = 'left' | 'right';

/** Number of coordinates of the curve's points, 2 or 3. */
export function dimensionOf(curve: Curve): number {
  return curve.points[0]?.length ?? 0;
}

/** Whether the curve carries weights that are not all equal, so that its weights matter. */
export function isRational(curve: Curve): boolean {
  const { weights } = curve;
  return weights !== undefined && weights.some((weight) => weight !== weights[0]);
}
