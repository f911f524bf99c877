import type { Point } from '../../curve/curve.js';

/** A map of the plane that keeps straight lines straight: (x, y) → (a x + b y + e, c x + d y + f). */
export interface PlaneMap {
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly d: number;
  readonly e: number;
  readonly f: number;
}

/** Where a map takes a place. */
export function mapPlace({ a, b, c, d, e, f }: PlaneMap, [x, y]: Point): Point {
  return [a * x! + b * y! + e, c * x! + d * y! + f];
}

/** Everything by the same way. */
export function translation(dx: number, dy: number): PlaneMap {
  return { a: 1, b: 0, c: 0, d: 1, e: dx, f: dy };
}

/**
 * Larger or smaller about a centre, which stays.
 * @param factorX against the distance to the left and right of the centre
 * @param factorY against the distance above and below it; the same where not given
 */
export function scaling([x, y]: Point, factorX: number, factorY = factorX): PlaneMap {
  return { a: factorX, b: 0, c: 0, d: factorY, e: x! * (1 - factorX), f: y! * (1 - factorY) };
}

/**
 * Turned about a centre, which stays.
 * @param degrees counterclockwise; quarter turns are exact
 */
export function rotation([x, y]: Point, degrees: number): PlaneMap {
  const quarters = degrees / 90;
  const exact = Number.isInteger(quarters) ? ((quarters % 4) + 4) % 4 : undefined;
  const angle = (degrees * Math.PI) / 180;
  const cos = exact === undefined ? Math.cos(angle) : [1, 0, -1, 0][exact]!;
  const sin = exact === undefined ? Math.sin(angle) : [0, 1, 0, -1][exact]!;
  return { a: cos, b: -sin, c: sin, d: cos, e: x! - cos * x! + sin * y!, f: y! - sin * x! - cos * y! };
}

/**
 * The displacement of a length in a direction.
 * @param degrees counterclockwise from the direction of x; quarter turns are exact
 */
export function displacement(length: number, degrees: number): [number, number] {
  const { a, c } = rotation([0, 0], degrees);
  return [length * a, length * c];
}

/** The box that holds places; `undefined` of none. */
export function boxOf(places: readonly Point[]): { low: Point; high: Point } | undefined {
  if (places.length === 0) return undefined;
  const of = (pick: (...values: number[]) => number, axis: number): number =>
    places.reduce((found, place) => pick(found, place[axis]!), places[0]![axis]!);
  return {
    low: [of(Math.min, 0), of(Math.min, 1)],
    high: [of(Math.max, 0), of(Math.max, 1)],
  };
}
