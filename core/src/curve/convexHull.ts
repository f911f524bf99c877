import type { Point } from './curve.js';
import { cross, subtract } from './vector.js';

/**
 * The convex hull of places in the plane, counterclockwise, without places on its edges (Andrew 1979).
 * @returns one place where all are one, two where all lie on one line
 */
export function convexHull(points: readonly Point[]): Point[] {
  const sorted = points.toSorted((a, b) => a[0]! - b[0]! || a[1]! - b[1]!);
  const distinct = sorted.filter(
    (point, k) => k === 0 || point[0] !== sorted[k - 1]![0] || point[1] !== sorted[k - 1]![1],
  );
  if (distinct.length < 3) return distinct;
  const chain = (list: readonly Point[]): Point[] => {
    const kept: Point[] = [];
    for (const point of list) {
      while (
        kept.length >= 2 &&
        cross(subtract(kept.at(-1)!, kept.at(-2)!), subtract(point, kept.at(-2)!)) <= 0
      ) {
        kept.pop();
      }
      kept.push(point);
    }
    return kept.slice(0, -1);
  };
  return [...chain(distinct), ...chain(distinct.toReversed())];
}
