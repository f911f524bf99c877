import type { Curve, Point } from '@bogen/core/curve';

/** The polygons of curves that are on the way from one stage to another; they may have more corners than points. */
const polygons = new WeakMap<Curve, readonly Point[]>();

export function showPolygonsOnTheWay(seen: ReadonlyMap<Curve, readonly Point[]>): void {
  for (const [curve, polygon] of seen) polygons.set(curve, polygon);
}

/** The corners of the polygon that is drawn of a curve: its control points, except on the way. */
export const drawnPolygon = (curve: Curve): readonly Point[] => polygons.get(curve) ?? curve.points;
