import { told } from '../told/told.js';
import { dimensionOf, type Curve, type Point } from './curve.js';
import { elevateDegree } from './elevateDegree.js';
import { CurveError } from './error.js';
import { domainOf } from './knotVector.js';
import { mapDomain } from './reparametrise.js';
import { clampEnds } from './split.js';
import { distance } from './vector.js';

/**
 * One curve of two that meet: the end of the first and the start of the second become one control point
 * at a knot of multiplicity p (P&T 6.2). The lower degree is raised; the second keeps its parameter's
 * length and is moved to follow the first; its weights are scaled as a whole so that both agree at the joint.
 * @param tolerance largest distance of the two ends, in the drawing's unit
 * @throws CurveError `point` where dimensions differ or the ends are farther apart
 */
export function joinCurves(first: Curve, second: Curve, tolerance = 1e-9): Curve {
  return joinAll([first, second], tolerance);
}

/**
 * One curve of several that follow one another, joined as `joinCurves` does.
 * @param curves one or more
 * @throws CurveError `point` where dimensions differ or ends are farther apart
 */
export function joinAll(curves: readonly Curve[], tolerance = 1e-9): Curve {
  if (curves.some((curve) => dimensionOf(curve) !== dimensionOf(curves[0]!))) {
    throw new CurveError('point', told('joinOfMixedDimensions'));
  }
  const degree = Math.max(...curves.map((curve) => curve.degree));
  const isWeighted = curves.some(({ weights }) => weights !== undefined);
  const knots: number[] = [];
  const points: Point[] = [];
  const weights: number[] = [];
  for (const curve of curves) {
    const clamped = clampEnds(curve);
    const raised = clamped.degree === degree ? clamped : elevateDegree(clamped, degree - clamped.degree);
    const [start, finish] = domainOf(raised.knots, degree);
    const own = raised.weights ?? raised.points.map(() => 1);
    if (points.length === 0) {
      knots.push(...raised.knots);
      points.push(...raised.points);
      weights.push(...own);
      continue;
    }
    // A curve that begins where the one before ends keeps its knots to the last digit.
    const end = knots.at(-1)!;
    const after = start === end ? raised : mapDomain(raised, end, end + (finish - start));
    const gap = distance(points.at(-1)!, after.points[0]!);
    if (!(gap <= tolerance)) {
      throw new CurveError('point', told('endsTooFarApart', { gap, tolerance }), {
        value: gap,
      });
    }
    const scale = weights.at(-1)! / own[0]!;
    knots.pop();
    for (const knot of after.knots.slice(degree + 1)) knots.push(knot);
    for (const point of after.points.slice(1)) points.push(point);
    for (const weight of own.slice(1)) weights.push(weight * scale);
  }
  return { degree, knots, points, ...(isWeighted && { weights }) };
}
