import { refuseSignedWeights } from './betweenPoles.js';
import { told } from '../told/told.js';
import { convexHull } from './convexHull.js';
import { dimensionOf, type Curve, type Point } from './curve.js';
import { CurveError } from './error.js';
import { spansOf } from './knotVector.js';

/** The convex hull of the control points of one span, in which that span of the curve lies. */
export interface SpanHull {
  readonly start: number;
  readonly end: number;
  /** In the plane the corners counterclockwise. */
  readonly hull: readonly Point[];
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
