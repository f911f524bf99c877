import { differentiateBernstein, multiplyBernstein, rootsOfBernstein } from './bernstein.js';
import type { Curve } from './curve.js';
import { decompose } from './decompose.js';
import { domainOf } from './knotVector.js';

/**
 * The spans of a curve, cut where it almost stands still: at the smallest values of its speed, as
 * roots of the derivative of |C′|² (for rational curves of its numerator), in spans in which the speed
 * falls below a hundredth of its largest. Between the cuts the speed is smooth enough for quadrature,
 * also where the curve turns back on itself.
 * @returns the ends of the pieces, ascending, both ends of the domain included
 */
export function quadratureBreaks(curve: Curve): number[] {
  const [start] = domainOf(curve.knots, curve.degree);
  const places = [start];
  for (const piece of decompose(curve)) {
    const [from, to] = domainOf(piece.knots, piece.degree);
    for (const t of slowPlaces(piece)) {
      const u = from + t * (to - from);
      if (u > places.at(-1)! && u < to) places.push(u);
    }
    places.push(to);
  }
  return places;
}

/** Local parameters from 0 to 1 of a Bézier piece at which its speed is smallest, if that is far below its largest. */
function slowPlaces({ points, weights }: Curve): number[] {
  let squared: number[] | undefined;
  const dimension = points[0]!.length;
  for (let axis = 0; axis < dimension; axis++) {
    const values = points.map((point, k) => point[axis]! * (weights ? weights[k]! : 1));
    let change = differentiateBernstein(values);
    if (weights) {
      const first = multiplyBernstein(change, weights);
      const second = multiplyBernstein(values, differentiateBernstein(weights));
      change = first.map((value, k) => value - second[k]!);
    }
    const square = multiplyBernstein(change, change);
    squared = squared ? squared.map((value, k) => value + square[k]!) : square;
  }
  let [smallest, largest] = [Infinity, 0];
  for (const value of squared!) {
    smallest = Math.min(smallest, value);
    largest = Math.max(largest, Math.abs(value));
  }
  if (smallest > 1e-4 * largest) return [];
  const slope = differentiateBernstein(squared!);
  return rootsOfBernstein(slope, 1e-15 * Math.max(...slope.map(Math.abs)));
}
