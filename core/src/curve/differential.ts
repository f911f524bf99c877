import type { Curve, Point, Side } from './curve.js';
import { derivativesAt } from './evaluate.js';

const lengthOf = (vector: Point): number => Math.hypot(...vector);

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
 * The unit normal of a plane curve at `u`: the tangent turned left by a right angle. In three
 * dimensions the principal normal, towards the centre of curvature. `undefined` where it does not exist.
 * @throws CurveError `parameter`
 */
export function normalAt(curve: Curve, u: number, side: Side = 'right'): Point | undefined {
  const tangent = tangentAt(curve, u, side);
  if (!tangent) return undefined;
  if (tangent.length === 2) return [-tangent[1]!, tangent[0]!];
  const [, , second] = derivativesAt(curve, u, 2, side);
  const along = tangent.reduce((sum, coordinate, axis) => sum + coordinate * second![axis]!, 0);
  const across = second!.map((coordinate, axis) => coordinate - along * tangent[axis]!);
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
  if (speed === 0) return undefined;
  if (first.length === 2) return (first[0]! * second[1]! - first[1]! * second[0]!) / speed ** 3;
  const cross = [
    first[1]! * second[2]! - first[2]! * second[1]!,
    first[2]! * second[0]! - first[0]! * second[2]!,
    first[0]! * second[1]! - first[1]! * second[0]!,
  ];
  return lengthOf(cross) / speed ** 3;
}
