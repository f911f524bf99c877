import type { Curve } from './curve.js';
import { clampedUniformKnots, domainOf } from './knotVector.js';
import { distinctPointCount, periodicCurve } from './periodic.js';

/**
 * Another curve on the same control points and weights: of another degree, with evenly spaced knots on
 * the same domain, clamped, or periodic where the curve is. Its shape is another one.
 * @param degree 1 to 9
 * @throws CurveError `degree`, `point-count` where there are too few points
 */
export function withDegree(curve: Curve, degree: number): Curve {
  const domain = domainOf(curve.knots, curve.degree);
  if (!curve.periodic) {
    return { ...curve, degree, knots: clampedUniformKnots(curve.points.length, degree, ...domain) };
  }
  const count = distinctPointCount(curve);
  return periodicCurve(degree, curve.points.slice(0, count), curve.weights?.slice(0, count), ...domain);
}
