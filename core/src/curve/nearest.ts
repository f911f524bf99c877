import { told } from '../told/told.js';
import { differentiateBernstein, multiplyBernstein, rootsOfBernstein } from './bernstein.js';
import { hasSignedWeights, piecesBetweenPoles } from './betweenPoles.js';
import type { Curve, Point } from './curve.js';
import { decompose } from './decompose.js';
import { spend } from './effort.js';
import { CurveError } from './error.js';
import { partsOfEvenWeight } from './evenWeights.js';
import { pointAt } from './evaluate.js';
import { domainOf } from './knotVector.js';
import { distance } from './vector.js';

/** The point of a curve that lies nearest to a given place. */
export interface NearestPoint {
  readonly parameter: number;
  readonly point: Point;
  readonly distance: number;
}

/** Some pieces of a curve that follow one another, with the box that holds them. */
interface Stretch {
  readonly low: Point;
  readonly high: Point;
  readonly parts: readonly [Stretch, Stretch] | EndedPiece;
}

/** A Bézier piece with its ends, which are the same for every question. */
interface EndedPiece {
  readonly piece: Curve;
  readonly start: number;
  readonly end: number;
  readonly ends: readonly { readonly parameter: number; readonly point: Point }[];
}

function stretchOf(pieces: readonly Stretch[]): Stretch {
  if (pieces.length === 1) return pieces[0]!;
  const middle = pieces.length >> 1;
  const [first, second] = [stretchOf(pieces.slice(0, middle)), stretchOf(pieces.slice(middle))];
  return {
    low: first.low.map((value, axis) => Math.min(value, second.low[axis]!)),
    high: first.high.map((value, axis) => Math.max(value, second.high[axis]!)),
    parts: [first, second],
  };
}

/**
 * Prepares a curve for many questions of which of its points is nearest: among the ends of all spans and
 * all parameters where (C(u) − target) · C′(u) vanishes (P&T 6.1), found as the roots of that polynomial
 * on each Bézier piece, or on parts of it with even weights, so that none is missed. Pieces stand in a tree of boxes; those whose box is farther away than a
 * point that is known are passed over. Where several points are equally near, it is the one of the smallest parameter.
 * @returns a function of the target, which needs as many coordinates as the curve's points
 */
export function nearestFinder(curve: Curve): (target: Point) => NearestPoint {
  const own = hasSignedWeights(curve)
    ? piecesBetweenPoles(curve)
    : decompose(curve).flatMap(partsOfEvenWeight);
  const whole = stretchOf(
    own.map((piece): Stretch => {
      const [start, end] = domainOf(piece.knots, piece.degree);
      const ends = [start, end].map((parameter) => ({ parameter, point: pointAt(piece, parameter) }));
      return {
        low: piece.points[0]!.map((_, axis) => Math.min(...piece.points.map((point) => point[axis]!))),
        high: piece.points[0]!.map((_, axis) => Math.max(...piece.points.map((point) => point[axis]!))),
        parts: { piece, start, end, ends },
      };
    }),
  );
  const dimension = curve.points[0]!.length;
  return (target) => {
    if (target.length !== dimension || !target.every(Number.isFinite)) {
      throw new CurveError('point', told('targetCoordinates', { dimension }), { value: target });
    }
    let best: NearestPoint | undefined;
    const consider = (parameter: number, point: Point): void => {
      const far = distance(point, target);
      if (!best || far < best.distance || (far === best.distance && parameter < best.parameter)) {
        best = { parameter, point, distance: far };
      }
    };
    const awayOf = ({ low, high }: Stretch): number => {
      let away = 0;
      for (let axis = 0; axis < dimension; axis++) {
        away += Math.max(0, low[axis]! - target[axis]!, target[axis]! - high[axis]!) ** 2;
      }
      return Math.sqrt(away);
    };
    const visit = ({ parts }: Stretch, away: number): void => {
      if (best && away > best.distance) return;
      spend(1);
      if ('piece' in parts) {
        const { piece, start, end, ends } = parts;
        for (const { parameter, point } of ends) consider(parameter, point);
        if (away > best!.distance) return;
        for (const t of stationaryParameters(piece, target)) {
          const parameter = t === 1 ? end : start + t * (end - start);
          consider(parameter, pointAt(piece, parameter));
        }
        return;
      }
      // The nearer box first, so that the other need not be opened.
      const [first, second] = parts;
      const [one, two] = [awayOf(first), awayOf(second)];
      if (one <= two) {
        visit(first, one);
        visit(second, two);
      } else {
        visit(second, two);
        visit(first, one);
      }
    };
    visit(whole, awayOf(whole));
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
  return decompose(curve)
    .flatMap(partsOfEvenWeight)
    .flatMap((piece, index) => {
      spend(60);
      const [start, end] = domainOf(piece.knots, piece.degree);
      const inner = stationaryParameters(piece, target).map((t) =>
        t === 1 ? end : start + t * (end - start),
      );
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
