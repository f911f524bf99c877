import { told } from '../told/told.js';
import type { Curve, Point } from './curve.js';
import { CurveError } from './error.js';
import { addScaled, mix, subtract } from './vector.js';

function validateRho(rho: number): void {
  if (!(rho > 0 && rho < 1)) {
    throw new CurveError('argument', told('rho', { rho }), { value: rho });
  }
}

/** Checks that places are finite and all of the plane, or all in space. */
export function validatePlaces(...places: readonly Point[]): void {
  const dimension = places[0]!.length;
  places.forEach((place, index) => {
    if (place.length !== dimension || dimension < 2 || dimension > 3 || !place.every(Number.isFinite)) {
      throw new CurveError('point', told('placeCoordinates', { index }), {
        index,
        value: place,
      });
    }
  });
}

/**
 * A conic from its two ends, the intersection of their tangents, and rho: a rational quadratic Bézier
 * curve with the weights 1, ρ / (1 − ρ), 1 (P&T 7.3; F 13). Below one half it is an ellipse, at one half a
 * parabola, above a hyperbola.
 * @param rho between 0 and 1: where the shoulder lies on the way from the middle of the chord to the
 * tangent intersection
 * @throws CurveError `argument`, `point`
 */
export function conicFromTangents(start: Point, intersection: Point, end: Point, rho: number): Curve {
  validateRho(rho);
  validatePlaces(start, intersection, end);
  return {
    degree: 2,
    knots: [0, 0, 0, 1, 1, 1],
    points: [start, intersection, end],
    weights: [1, rho / (1 - rho), 1],
  };
}

/**
 * A conic from its two ends, its shoulder point and rho; the tangent intersection follows from them
 * (P&T 7.3).
 * @throws CurveError `argument`, `point`
 */
export function conicFromShoulder(start: Point, shoulder: Point, end: Point, rho: number): Curve {
  validateRho(rho);
  validatePlaces(start, shoulder, end);
  const middle = mix(start, end, 0.5);
  return conicFromTangents(start, addScaled(middle, subtract(shoulder, middle), 1 / rho), end, rho);
}

/** The three weights of a quadratic piece, 1 where it has none. */
export function quadraticPiece(curve: Curve): {
  points: readonly [Point, Point, Point];
  weights: [number, number, number];
} {
  if (curve.degree !== 2 || curve.points.length !== 3) {
    throw new CurveError('degree', told('notAConic', { degree: curve.degree, count: curve.points.length }), {
      value: curve.degree,
    });
  }
  const [a, b, c] = curve.points as [Point, Point, Point];
  const [wa, wb, wc] = curve.weights ?? [1, 1, 1];
  return { points: [a, b, c], weights: [wa!, wb!, wc!] };
}

/** The weight of the middle point when both ends have the weight 1, which a Möbius reparametrisation reaches. */
export function standardWeight([a, b, c]: readonly [number, number, number]): number {
  return b / Math.sqrt(a * c);
}

/**
 * Rho of a rational quadratic piece: k / (1 + k), where k is its middle weight in standard form.
 * @throws CurveError `degree` where the curve is not one quadratic piece
 */
export function rhoOf(curve: Curve): number {
  const weight = standardWeight(quadraticPiece(curve).weights);
  return weight / (1 + weight);
}

/**
 * The shoulder point of a rational quadratic piece: the place where its tangent is parallel to the chord.
 * @throws CurveError `degree`
 */
export function shoulderOf(curve: Curve): Point {
  const { points } = quadraticPiece(curve);
  return mix(mix(points[0], points[2], 0.5), points[1], rhoOf(curve));
}
