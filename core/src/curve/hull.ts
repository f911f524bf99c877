import { refuseSignedWeights } from './betweenPoles.js';
import { told } from '../told/told.js';
import { convexHull } from './convexHull.js';
import { dimensionOf, type Curve, type Point } from './curve.js';
import { CurveError } from './error.js';
import { hullInSpace, type HullInSpace } from './hullInSpace.js';
import { spansOf } from './knotVector.js';
import { cross, crossInSpace, dot, lengthOf, subtract } from './vector.js';

/** The convex hull of the control points of one span, in which that span of the curve lies. */
export interface SpanHull {
  readonly start: number;
  readonly end: number;
  /** In the plane the corners counterclockwise. */
  readonly hull: readonly Point[];
}

/** The same in space. */
export interface SpanHullInSpace {
  readonly start: number;
  readonly end: number;
  readonly hull: HullInSpace;
}

/**
 * The hull of the p + 1 control points of every span of a plane curve (P&T P3.5; with positive weights for
 * rational curves too, P4.6).
 * @throws CurveError `unsupported` in space, where there is `spanHullsInSpace`
 */
export function spanHulls(curve: Curve): SpanHull[] {
  refuseSignedWeights(curve);
  if (dimensionOf(curve) !== 2) throw new CurveError('unsupported', told('hullOfPlaneOnly'));
  return spansOf(curve.knots, curve.degree).map(({ index, start, end }) => ({
    start,
    end,
    hull: convexHull(curve.points.slice(index - curve.degree, index + 1)),
  }));
}

/**
 * The hull of the p + 1 control points of every span of a curve in space (P&T P3.5, P4.6).
 * @throws CurveError `unsupported` in the plane
 */
export function spanHullsInSpace(curve: Curve): SpanHullInSpace[] {
  refuseSignedWeights(curve);
  if (dimensionOf(curve) !== 3) throw new CurveError('unsupported', told('hullOfSpaceOnly'));
  return spansOf(curve.knots, curve.degree).map(({ index, start, end }) => ({
    start,
    end,
    hull: hullInSpace(curve.points.slice(index - curve.degree, index + 1)),
  }));
}

/**
 * How often the control polygon crosses a line, in space a plane: at least as often as the curve does (variation
 * diminishing, P&T P3.9). Points on it do not count.
 * @param places two places of the plane that are apart, or three of space that do not lie on one line
 * @throws CurveError `argument`
 */
export function signChanges(curve: Curve, places: readonly Point[]): number {
  refuseSignedWeights(curve);
  const sideOf = dimensionOf(curve) === 2 ? sideOfLine(places) : sideOfPlane(places);
  let changes = 0;
  let last = 0;
  for (const point of curve.points) {
    const sign = Math.sign(sideOf(point));
    if (sign !== 0 && last !== 0 && sign !== last) changes++;
    if (sign !== 0) last = sign;
  }
  return changes;
}

function sideOfLine([first, second]: readonly Point[]): (point: Point) => number {
  const along = first && second && subtract(second, first);
  if (!(along && first.length === 2 && lengthOf(along) > 0))
    throw new CurveError('argument', told('lineEnds'));
  return (point) => cross(along, subtract(point, first));
}

function sideOfPlane([first, second, third]: readonly Point[]): (point: Point) => number {
  const normal = first && second && third && crossInSpace(subtract(second, first), subtract(third, first));
  if (!(normal && first.length === 3 && lengthOf(normal) > 0)) {
    throw new CurveError('argument', told('planePlaces'));
  }
  return (point) => dot(normal, subtract(point, first));
}
