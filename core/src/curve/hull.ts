import { refuseSignedWeights } from './betweenPoles.js';
import { told } from '../told/told.js';
import { dimensionOf, type Curve, type Point } from './curve.js';
import { CurveError } from './error.js';
import { spansOf } from './knotVector.js';
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

/** The convex hull of the control points of one span, in which that span of the curve lies. */
export interface SpanHull {
  readonly start: number;
  readonly end: number;
  readonly hull: readonly Point[];
}

/**
 * The hull of the p + 1 control points of every span of a plane curve (P&T P3.5; with positive weights for
 * rational curves too, P4.6).
 * @throws CurveError `unsupported` in space
 */
export function spanHulls(curve: Curve): SpanHull[] {
  refuseSignedWeights(curve);
  refuseSpace(curve);
  return spansOf(curve.knots, curve.degree).map(({ index, start, end }) => ({
    start,
    end,
    hull: convexHull(curve.points.slice(index - curve.degree, index + 1)),
  }));
}

/**
 * How often the control polygon crosses a line: at least as often as the curve does (variation
 * diminishing, P&T P3.9). Points on the line do not count.
 * @param line two places of the plane that are apart
 * @throws CurveError `unsupported` in space, `argument`
 */
export function signChanges(curve: Curve, line: readonly [Point, Point]): number {
  refuseSignedWeights(curve);
  refuseSpace(curve);
  const along = subtract(line[1], line[0]);
  if (!(Math.hypot(...along) > 0)) {
    throw new CurveError('argument', told('lineEnds'));
  }
  let changes = 0;
  let last = 0;
  for (const point of curve.points) {
    const sign = Math.sign(cross(along, subtract(point, line[0])));
    if (sign !== 0 && last !== 0 && sign !== last) changes++;
    if (sign !== 0) last = sign;
  }
  return changes;
}

function refuseSpace(curve: Curve): void {
  if (dimensionOf(curve) !== 2) {
    throw new CurveError('unsupported', told('hullOfPlaneOnly'));
  }
}
