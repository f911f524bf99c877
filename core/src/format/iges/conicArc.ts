import { circularArc } from '../../curve/circle.js';
import { conicFromTangents } from '../../curve/conic.js';
import type { Curve, Point } from '../../curve/curve.js';

/**
 * The arc of a conic in standard position from one place to another (IGES 5.3, type 104): of an ellipse about the origin
 * counterclockwise, of a parabola with its vertex at the origin.
 * @param coefficients A to F of A x² + B xy + C y² + D x + E y + F = 0
 * @returns nothing for other conics, and where an ellipse does not lie in standard position
 */
export function conicFromImplicit(
  [A, B, C, D, E, F]: readonly [number, number, number, number, number, number],
  start: Point,
  end: Point,
): Curve | undefined {
  if (B !== 0) return undefined;
  if (A !== 0 && C !== 0 && D === 0 && E === 0 && -F / A > 0 && -F / C > 0) {
    const [a, b] = [Math.sqrt(-F / A), Math.sqrt(-F / C)];
    const [from, to] = [start, end].map(([x, y]) => Math.atan2(y! / b, x! / a)) as [number, number];
    const turn = 2 * Math.PI;
    const by = (((to - from) % turn) + turn) % turn;
    const arc = circularArc({ centre: [0, 0], radius: 1, x: [1, 0], y: [0, 1] }, from, by === 0 ? turn : by);
    return { ...arc, points: arc.points.map(([x, y]) => [a * x!, b * y!]) };
  }
  // The tangents of a parabola at two places meet half-way between them across its axis.
  if (A !== 0 && C === 0 && D === 0 && E !== 0 && F === 0) {
    const [s, e] = [start[0]!, end[0]!];
    return conicFromTangents(start, [(s + e) / 2, (-A * s * e) / E], end, 0.5);
  }
  if (A === 0 && C !== 0 && D !== 0 && E === 0 && F === 0) {
    const [s, e] = [start[1]!, end[1]!];
    return conicFromTangents(start, [(-C * s * e) / D, (s + e) / 2], end, 0.5);
  }
  return undefined;
}
