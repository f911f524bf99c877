import { dimensionOf, type Curve, type Point } from './curve.js';
import { decompose } from './decompose.js';
import { homogeneousRows } from './homogeneous.js';
import { domainOf } from './knotVector.js';
import { dot, subtract } from './vector.js';

/** A part of a Bézier piece with its control points and the box that holds it. */
export interface BezierPart {
  readonly rows: readonly (readonly number[])[];
  readonly points: readonly Point[];
  readonly from: number;
  readonly to: number;
  readonly low: Point;
  readonly high: Point;
}

/** The Bézier pieces of a curve as parts that can be halved. */
export function partsOf(curve: Curve): BezierPart[] {
  const dimension = dimensionOf(curve);
  return decompose(curve).map((piece) => {
    const [start, end] = domainOf(piece.knots, piece.degree);
    return partOfRows(homogeneousRows(piece), dimension, start, end);
  });
}

function partOfRows(
  rows: readonly (readonly number[])[],
  dimension: number,
  from: number,
  to: number,
): BezierPart {
  const points =
    rows[0]!.length === dimension
      ? rows
      : rows.map((row) => row.slice(0, dimension).map((value) => value / row[dimension]!));
  const low = points[0]!.slice();
  const high = points[0]!.slice();
  for (const point of points) {
    for (let axis = 0; axis < dimension; axis++) {
      if (point[axis]! < low[axis]!) low[axis] = point[axis]!;
      if (point[axis]! > high[axis]!) high[axis] = point[axis]!;
    }
  }
  return { rows, points, from, to, low, high };
}

/** The Bézier rows of both halves of a piece, by de Casteljau's algorithm (F 5). */
export function halveRows(
  rows: readonly (readonly number[])[],
): [(readonly number[])[], (readonly number[])[]] {
  let row = rows;
  const left = [row[0]!];
  const right = [row.at(-1)!];
  while (row.length > 1) {
    const before = row;
    row = before.slice(1).map((after, k) => after.map((value, axis) => (value + before[k]![axis]!) / 2));
    left.push(row[0]!);
    right.push(row.at(-1)!);
  }
  return [left, right.reverse()];
}

/** Both halves of a part. */
export function halvePart({ rows, from, to, low }: BezierPart): [BezierPart, BezierPart] {
  const [left, right] = halveRows(rows);
  const middle = (from + to) / 2;
  return [partOfRows(left, low.length, from, middle), partOfRows(right, low.length, middle, to)];
}

/** Whether the boxes of two parts come closer to each other than `margin`. */
export function boxesMeet(a: BezierPart, b: BezierPart, margin: number): boolean {
  for (let axis = 0; axis < a.low.length; axis++) {
    if (a.low[axis]! > b.high[axis]! + margin || b.low[axis]! > a.high[axis]! + margin) return false;
  }
  return true;
}

/** The length of the longest side of a part's box. */
export function sizeOfPart({ low, high }: BezierPart): number {
  let size = 0;
  for (let axis = 0; axis < low.length; axis++) size = Math.max(size, high[axis]! - low[axis]!);
  return size;
}

/**
 * Whether all legs of the polygons of some parts, one after the other, run forward along one direction,
 * so that together they cannot meet themselves (variation diminishing, P&T P3.9).
 */
export function runsForward(parts: readonly BezierPart[]): boolean {
  const direction = subtract(parts.at(-1)!.points.at(-1)!, parts[0]!.points[0]!);
  return parts.every(({ points }) => {
    for (let k = 1; k < points.length; k++) {
      const leg = subtract(points[k]!, points[k - 1]!);
      if (!(dot(leg, direction) > 0) && leg.some((value) => value !== 0)) return false;
    }
    return true;
  });
}
