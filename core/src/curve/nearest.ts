import { differentiateBernstein, multiplyBernstein, rootsOfBernstein } from './bernstein.js';
import type { Curve, Point } from './curve.js';
import { decompose } from './decompose.js';
import { pointAt } from './evaluate.js';
import { domainOf } from './knotVector.js';

/** The point of a curve that lies nearest to a given place. */
export interface NearestPoint {
  readonly parameter: number;
  readonly point: Point;
  readonly distance: number;
}

/**
 * The point of the curve nearest to `target`: among the ends of all spans and all parameters where
 * (C(u) − target) · C′(u) vanishes (P&T 6.1), found as the roots of that polynomial on each Bézier
 * piece, so that none is missed. Where several are equally near, the first.
 * @param target as many coordinates as the curve's points
 */
export function nearestPoint(curve: Curve, target: Point): NearestPoint {
  let best: NearestPoint | undefined;
  for (const piece of decompose(curve)) {
    const [start, end] = domainOf(piece.knots, piece.degree);
    const parameters = [0, ...stationaryParameters(piece, target), 1];
    for (const t of parameters) {
      const parameter = t === 1 ? end : start + t * (end - start);
      const point = pointAt(piece, parameter);
      const distance = Math.hypot(...point.map((coordinate, axis) => coordinate - target[axis]!));
      if (!best || distance < best.distance) best = { parameter, point, distance };
    }
  }
  return best!;
}

/**
 * All parameters at which the distance of a curve from a place stands still, and the ends of its spans:
 * the smallest and the largest distance are among them.
 */
export function stationaryDistances(curve: Curve, target: Point): number[] {
  return decompose(curve).flatMap((piece, index) => {
    const [start, end] = domainOf(piece.knots, piece.degree);
    const inner = stationaryParameters(piece, target).map((t) => (t === 1 ? end : start + t * (end - start)));
    return [...(index === 0 ? [start] : []), ...inner, end];
  });
}

/** Local parameters of a Bézier piece, from 0 to 1, where the distance to `target` stands still. */
function stationaryParameters(piece: Curve, target: Point): number[] {
  const { points, weights } = piece;
  let numerator: number[] = [];
  let size = 0;
  target.forEach((place, axis) => {
    const offset = points.map((point, k) => (point[axis]! - place) * (weights ? weights[k]! : 1));
    const change = differentiateBernstein(offset);
    let slope = change;
    if (weights) {
      const first = multiplyBernstein(change, weights);
      const second = multiplyBernstein(offset, differentiateBernstein(weights));
      slope = first.map((value, k) => value - second[k]!);
    }
    const term = multiplyBernstein(offset, slope);
    size = Math.max(size, ...term.map(Math.abs));
    numerator = numerator.length === 0 ? term : term.map((value, k) => value + numerator[k]!);
  });
  return rootsOfBernstein(numerator, size * 1e-15);
}
