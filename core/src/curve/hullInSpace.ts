import type { Point } from './curve.js';
import { convexHull } from './convexHull.js';
import { distanceFromSegment } from './facets.js';
import { addScaled, crossInSpace, distance, dot, lengthOf, scaled, subtract, unit } from './vector.js';

/** A convex body: its corners, and the polygons that bound it. */
export interface HullInSpace {
  /** One where all places are one, two where they lie on one line, those of a polygon where they lie in one plane. */
  readonly corners: readonly Point[];
  /** Indices of corners, counterclockwise seen from outside; a flat hull has one face, what lies on one line none. */
  readonly faces: readonly (readonly number[])[];
}

/** Places this near to a plane, as a share of the size of all, lie in it. */
const flatShare = 1e-10;

/**
 * The convex hull of a few places in space, such as the control points of one span. Every plane through three of them
 * that has all others on one side holds a face (O'Rourke, Computational Geometry in C, 4): by far not the quickest
 * way for many places, but one in which rounding can't lose a place from the body.
 * @param points in space; places on edges and faces within 1e-10 of the size are no corners
 */
export function hullInSpace(points: readonly Point[]): HullInSpace {
  const distinct = points.filter(
    (point, k) => points.findIndex((other) => distance(point, other) === 0) === k,
  );
  const size = Math.max(0, ...distinct.map((point) => distance(point, distinct[0]!)));
  const near = flatShare * size;
  const first = distinct[0]!;
  const farthest = (from: (point: Point) => number): Point =>
    distinct.reduce((best, point) => (from(point) > from(best) ? point : best), first);
  if (distinct.length < 2) return { corners: distinct, faces: [] };
  const axis = unit(
    subtract(
      farthest((point) => distance(point, first)),
      first,
    ),
  )!;
  const along = (point: Point): number => dot(subtract(point, first), axis);
  const acrossLine = (point: Point): Point => addScaled(subtract(point, first), axis, -along(point));
  const third = farthest((point) => lengthOf(acrossLine(point)));
  if (lengthOf(acrossLine(third)) <= near) {
    const ends = distinct.toSorted((a, b) => along(a) - along(b));
    return { corners: [ends[0]!, ends.at(-1)!], faces: [] };
  }
  const normal = unit(crossInSpace(axis, acrossLine(third)))!;
  if (distinct.every((point) => Math.abs(dot(subtract(point, first), normal)) <= near)) {
    return bounded([polygonIn(distinct, normal, near)]);
  }
  return bounded(facesOf(distinct, near));
}

/** The faces of places that do not lie in one plane. */
function facesOf(points: readonly Point[], near: number): (readonly Point[])[] {
  const found: { readonly all: ReadonlySet<Point>; readonly polygon: readonly Point[] }[] = [];
  for (let i = 0; i < points.length; i++) {
    for (let j = i + 1; j < points.length; j++) {
      for (let k = j + 1; k < points.length; k++) {
        const [a, b, c] = [points[i]!, points[j]!, points[k]!];
        if (found.some(({ all }) => all.has(a) && all.has(b) && all.has(c))) continue;
        const outwards = unit(crossInSpace(subtract(b, a), subtract(c, a)));
        if (!outwards) continue;
        const heights = points.map((point) => dot(subtract(point, a), outwards));
        const isBelow = heights.every((height) => height <= near);
        if (!isBelow && !heights.every((height) => height >= -near)) continue;
        const all = points.filter((_, index) => Math.abs(heights[index]!) <= near);
        const polygon = polygonIn(all, isBelow ? outwards : scaled(outwards, -1), near);
        if (polygon.length > 2) found.push({ all: new Set(all), polygon });
      }
    }
  }
  return found.map(({ polygon }) => polygon);
}

/** The hull of places of one plane, counterclockwise seen from where the normal points to. */
function polygonIn(points: readonly Point[], normal: Point, near: number): Point[] {
  const smallest = normal.reduce(
    (best, value, k) => (Math.abs(value) < Math.abs(normal[best]!) ? k : best),
    0,
  );
  const right = unit(crossInSpace([0, 0, 0].with(smallest, 1), normal))!;
  const up = crossInSpace(normal, right);
  const inPlane = new Map<Point, Point>(
    points.map((point) => {
      const from = subtract(point, points[0]!);
      return [[dot(from, right), dot(from, up)], point];
    }),
  );
  const corners = convexHull([...inPlane.keys()]);
  // What lies on an edge but for rounding is no corner, so that faces on either side of it agree.
  for (let k = 0; k < corners.length && corners.length > 2;) {
    const [before, after] = [corners.at(k - 1)!, corners[(k + 1) % corners.length]!];
    if (distanceFromSegment(corners[k]!, before, after) <= near) corners.splice(k, 1);
    else k++;
  }
  return corners.map((corner) => inPlane.get(corner)!);
}

function bounded(polygons: readonly (readonly Point[])[]): HullInSpace {
  const corners = [...new Set(polygons.flat())];
  return { corners, faces: polygons.map((polygon) => polygon.map((corner) => corners.indexOf(corner))) };
}
