import type { Curve } from './curve.js';
import { curveOfRows, homogeneousRows } from './homogeneous.js';
import { domainOf } from './knotVector.js';
import { halveRows } from './subdivide.js';

/** Weights of a part differ by this factor at most. */
const evenWeights = 4;

/**
 * A Bézier piece in parts over which its weights are about even, so that what is small beside a large weight elsewhere
 * is not lost in rounding: products as in the derivative of a distance or of the curvature are of high powers of weights.
 * @returns clamped curves on their own parts of the piece's interval, one after the other; the piece itself without weights
 */
export function partsOfEvenWeight(piece: Curve): Curve[] {
  if (!piece.weights) return [piece];
  const { degree } = piece;
  const parts: Curve[] = [];
  const divide = (rows: readonly (readonly number[])[], from: number, to: number, depth: number): void => {
    const weights = rows.map((row) => row.at(-1)!);
    if (depth === 0 || Math.max(...weights) <= evenWeights * Math.min(...weights)) {
      const knots = [...Array<number>(degree + 1).fill(from), ...Array<number>(degree + 1).fill(to)];
      parts.push(curveOfRows(piece, degree, knots, rows));
      return;
    }
    const [left, right] = halveRows(rows);
    const middle = (from + to) / 2;
    divide(left, from, middle, depth - 1);
    divide(right, middle, to, depth - 1);
  };
  divide(homogeneousRows(piece), ...domainOf(piece.knots, degree), 24);
  return parts;
}
