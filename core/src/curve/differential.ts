import type { Curve, Point, Side } from './curve.js';
import { derivativesAt } from './evaluate.js';
import { addScaled, cross, crossInSpace, dot, lengthOf, scaled, subtract, turnLeft } from './vector.js';

/**
 * The unit tangent at `u`, or `undefined` where the first derivative vanishes.
 * @throws CurveError `parameter`
 */
export function tangentAt(curve: Curve, u: number, side: Side = 'right'): Point | undefined {
  const [, first] = derivativesAt(curve, u, 1, side);
  const speed = lengthOf(first!);
  return speed > 0 ? first!.map((coordinate) => coordinate / speed) : undefined;
}

/**
 * The unit normal of a plane curve at `u`: the tangent turned counterclockwise by a right angle. In three
 * dimensions the principal normal, towards the centre of curvature. `undefined` where it does not exist.
 * @throws CurveError `parameter`
 */
export function normalAt(curve: Curve, u: number, side: Side = 'right'): Point | undefined {
  const tangent = tangentAt(curve, u, side);
  if (!tangent) return undefined;
  if (tangent.length === 2) return turnLeft(tangent);
  const [, , second] = derivativesAt(curve, u, 2, side);
  const across = addScaled(second!, tangent, -dot(tangent, second!));
  const size = lengthOf(across);
  return size > 0 ? across.map((coordinate) => coordinate / size) : undefined;
}

/**
 * The curvature at `u`, in one over the unit of length (P&T 6.1; F 11). In the plane it is signed,
 * positive where the curve turns left; in three dimensions it is not negative. `undefined` where the
 * first derivative vanishes.
 * @throws CurveError `parameter`
 */
export function curvatureAt(curve: Curve, u: number, side: Side = 'right'): number | undefined {
  const [, first, second] = derivativesAt(curve, u, 2, side) as [Point, Point, Point];
  const speed = lengthOf(first);
  if (!(speed > 0)) return undefined;
  return (first.length === 2 ? cross(first, second) : lengthOf(crossInSpace(first, second))) / speed ** 3;
}

/**
 * The derivative of the curvature by arc length at `u`, in one over the square of the unit (F 11).
 * `undefined` where the first derivative vanishes, and in three dimensions where the curvature does.
 * @throws CurveError `parameter`
 */
export function curvatureDerivativeAt(curve: Curve, u: number, side: Side = 'right'): number | undefined {
  const [, first, second, third] = derivativesAt(curve, u, 3, side) as [Point, Point, Point, Point];
  const speed = lengthOf(first);
  if (!(speed > 0)) return undefined;
  const along = dot(first, second);
  if (first.length === 2) {
    return (cross(first, third) * speed ** 2 - 3 * cross(first, second) * along) / speed ** 6;
  }
  const turn = crossInSpace(first, second);
  const size = lengthOf(turn);
  if (!(size > 0)) return undefined;
  const change = dot(turn, crossInSpace(first, third)) / size;
  return (change * speed ** 2 - 3 * size * along) / speed ** 6;
}

/** The circle that touches a curve most closely at a place. */
export interface OsculatingCircle {
  readonly centre: Point;
  readonly radius: number;
  /** Two perpendicular unit vectors of its plane: the tangent, and towards the centre. */
  readonly tangent: Point;
  readonly normal: Point;
}

/**
 * The osculating circle at `u` (F 11), or `undefined` where the curve is straight or stands still.
 * @throws CurveError `parameter`
 */
export function osculatingCircleAt(
  curve: Curve,
  u: number,
  side: Side = 'right',
): OsculatingCircle | undefined {
  const curvature = curvatureAt(curve, u, side);
  const tangent = tangentAt(curve, u, side);
  const normal = normalAt(curve, u, side);
  if (!curvature || !tangent || !normal) return undefined;
  const [point] = derivativesAt(curve, u, 0, side);
  const radius = 1 / Math.abs(curvature);
  const inwards = curvature < 0 ? scaled(normal, -1) : normal;
  if (!Number.isFinite(radius)) return undefined;
  return { centre: addScaled(point!, inwards, radius), radius, tangent, normal: inwards };
}

/** A curve's place and its first three derivatives by arc length there. */
export interface ArcLengthFrame {
  readonly point: Point;
  /** The unit tangent r′; `undefined` where the curve stands still, and then the others too. */
  readonly tangent: Point | undefined;
  /** The curvature vector r″, across the tangent. */
  readonly curvature: Point | undefined;
  /** The part of r‴ across the tangent: the change of curvature, and in space the torsion. */
  readonly change: Point | undefined;
}

/**
 * Point, tangent, curvature vector and its change across the tangent, by which geometric continuity up
 * to G3 is measured and restored: they do not depend on the parameter (F 11).
 * @param derivatives point and first three derivatives by the parameter
 */
export function arcLengthFrame(derivatives: readonly Point[]): ArcLengthFrame {
  const [point, first, second, third] = derivatives as [Point, Point, Point, Point];
  const speed = lengthOf(first);
  if (!(speed > 0)) return { point, tangent: undefined, curvature: undefined, change: undefined };
  const tangent = scaled(first, 1 / speed);
  const speeding = dot(tangent, second);
  const curvature = scaled(addScaled(second, tangent, -speeding), 1 / speed ** 2);
  const across = addScaled(third, tangent, -dot(tangent, third));
  const change = scaled(subtract(across, scaled(curvature, 3 * speed * speeding)), 1 / speed ** 3);
  return { point, tangent, curvature, change };
}
