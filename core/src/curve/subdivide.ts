import { dimensionOf, type Curve, type Point } from './curve.js';
import { decompose } from './decompose.js';
import { homogeneousRows } from './homogeneous.js';
import { domainOf } from './knotVector.js';

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
