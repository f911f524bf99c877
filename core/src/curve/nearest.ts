import { told } from '../told/told.js';
import { differentiateBernstein, multiplyBernstein, rootsOfBernstein } from './bernstein.js';
import { hasSignedWeights, piecesBetweenPoles } from './betweenPoles.js';
import type { Curve, Point } from './curve.js';
import { decompose } from './decompose.js';
import { spend } from './effort.js';
import { CurveError } from './error.js';
import { pointAt } from './evaluate.js';
import { domainOf } from './knotVector.js';
import { distance } from './vector.js';

/** The point of a curve that lies nearest to a given place. */
export interface NearestPoint {
  readonly parameter: number;
  readonly point: Point;
  readonly distance: number;
}

/**
 * Prepares a curve for many questions of which of its points is nearest: among the ends of all spans and
 * all parameters where (C(u) − target) · C′(u) vanishes (P&T 6.1), found as the roots of that polynomial
 * on each Bézier piece, so that none is missed. Pieces whose hull is farther away than a point that is
 * known are passed over. Where several points are equally near, it is the first found.
 * @returns a function of the target, which needs as many coordinates as the curve's points
 */
export function nearestFinder(curve: Curve): (target: Point) => NearestPoint {
  const own = hasSignedWeights(curve) ? piecesBetweenPoles(curve) : decompose(curve);
  const pieces = own.map((piece) => {
    const [start, end] = domainOf(piece.knots, piece.degree);
    const low = piece.points[0]!.map((_, axis) => Math.min(...piece.points.map((point) => point[axis]!)));
    const high = piece.points[0]!.map((_, axis) => Math.max(...piece.points.map((point) => point[axis]!)));
    // The ends are the same for every question.
    const ends = [start, end].map((parameter) => ({ parameter, point: pointAt(piece, parameter) }));
    return { piece, start, end, low, high, ends };
  });
  const dimension = curve.points[0]!.length;
  return (target) => {
    if (target.length !== dimension || !target.every(Number.isFinite)) {
      throw new CurveError('point', told('targetCoordinates', { dimension }), { value: target });
    }
    spend(0.42 * pieces.length);
    let best: NearestPoint | undefined;
    const consider = (parameter: number, point: Point): void => {
      const far = distance(point, target);
      if (!best || far < best.distance) best = { parameter, point, distance: far };
    };
    for (const { ends } of pieces) for (const { parameter, point } of ends) consider(parameter, point);
    for (const { piece, start, end, low, high } of pieces) {
      let away = 0;
      for (let axis = 0; axis < dimension; axis++) {
        away += Math.max(0, low[axis]! - target[axis]!, target[axis]! - high[axis]!) ** 2;
      }
      if (Math.sqrt(away) > best!.distance) continue;
      for (const t of stationaryParameters(piece, target)) {
        const parameter = t === 1 ? end : start + t * (end - start);
        consider(parameter, pointAt(piece, parameter));
      }
    }
    return best!;
  };
}

/**
 * The point of the curve nearest to `target`; see `nearestFinder`.
 * @param target as many coordinates as the curve's points
 * @throws CurveError `point`
 */
export function nearestPoint(curve: Curve, target: Point): NearestPoint {
  return nearestFinder(curve)(target);
}

/**
 * All parameters at which the distance of a curve from a place stands still, and the ends of its spans:
 * the smallest and the largest distance are among them.
 */
export function stationaryDistances(curve: Curve, target: Point): number[] {
  return decompose(curve).flatMap((piece, index) => {
    spend(60);
    const [start, end] = domainOf(piece.knots, piece.degree);
    const inner = stationaryParameters(piece, target).map((t) => (t === 1 ? end : start + t * (end - start)));
    return [...(index === 0 ? [start] : []), ...inner, end];
  });
}

/** Local parameters of a Bézier piece, from 0 to 1, where the distance to `target` stands still. */
function stationaryParameters(piece: Curve, target: Point): number[] {
  const { points, weights } = piece;
  spend(10 + (points.length ** 2 / 2) * (weights ? 2 : 1));
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
    for (const value of term) size = Math.max(size, Math.abs(value));
    numerator = numerator.length === 0 ? term : term.map((value, k) => value + numerator[k]!);
  });
  return rootsOfBernstein(numerator, size * 1e-15);
}
