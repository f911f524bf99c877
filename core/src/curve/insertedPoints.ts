import { dimensionOf, type Curve, type Point } from './curve.js';
import { homogeneousRows } from './homogeneous.js';
import { domainOf, findSpan } from './knotVector.js';
import { distinctPointCount } from './periodic.js';
import { validateParameter } from './validate.js';

/** A control point that knot insertion makes: it lies on a leg of the old polygon. */
export interface InsertedPoint {
  readonly at: Point;
  /** The ends of the leg, two neighbouring control points of the curve before. */
  readonly parents: readonly [Point, Point];
  /** How far along the leg it lies, from 0 at the first parent to 1 at the second. */
  readonly ratio: number;
  /** Boehm's α, the same for a curve without weights; with weights the ratio is α w₁ / ((1 − α) w₀ + α w₁). */
  readonly alpha: number;
}

/**
 * The control points that inserting a knot once makes, in their order along the polygon, each with its two parents
 * (Boehm 1980; P&T 5.2). As many as the degree less the multiplicity that the knot has already; none at full
 * multiplicity, and none of a periodic curve of so few points that the knot and its image one period on act on the same
 * legs.
 * @param u a parameter in the domain
 * @throws CurveError `parameter`
 */
export function insertedPoints(curve: Curve, u: number): readonly InsertedPoint[] {
  validateParameter(curve, u);
  const { degree, knots, points, weights, periodic } = curve;
  const [start, end] = domainOf(knots, degree);
  // The end of a periodic curve is its start, where all of the seam's knots stand before the domain.
  if (periodic && distinctPointCount(curve) <= degree) return [];
  if (periodic && u === end) return insertedPoints(curve, start);
  const rows = homogeneousRows(curve);
  const dimension = dimensionOf(curve);
  const span = findSpan(knots, degree, u);
  let last = span;
  while (knots[last]! >= u && last > span - degree) last--;
  const inserted: InsertedPoint[] = [];
  for (let index = span - degree + 1; index <= last; index++) {
    const low = knots[index]!;
    const alpha = (u - low) / (knots[index + degree]! - low);
    // At the end of an open domain a knot that is there already leaves the second parent as it is.
    if (alpha >= 1) continue;
    const row = rows[index]!.map((value, axis) => alpha * value + (1 - alpha) * rows[index - 1]![axis]!);
    const weight = weights ? row[dimension]! : 1;
    inserted.push({
      at: row.slice(0, dimension).map((value) => value / weight),
      parents: [points[index - 1]!, points[index]!],
      ratio: weights ? (alpha * weights[index]!) / weight : alpha,
      alpha,
    });
  }
  return inserted;
}
