import type { Curve, Point } from '../../curve/curve.js';

/** The corners of a polygon once round and back to the first, as a curve of degree 1. */
export function closedPolygon(corners: readonly Point[]): Curve {
  const points = [...corners, corners[0]!];
  const last = points.length - 1;
  return { degree: 1, knots: [0, ...points.map((_, k) => k / last), 1], points };
}
