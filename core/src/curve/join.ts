import { told } from '../told/told.js';
import { dimensionOf, type Curve } from './curve.js';
import { elevateDegree } from './elevateDegree.js';
import { CurveError } from './error.js';
import { domainOf } from './knotVector.js';
import { mapDomain } from './reparametrise.js';
import { clampEnds } from './split.js';

/**
 * One curve of two that meet: the end of the first and the start of the second become one control point
 * at a knot of multiplicity p (P&T 6.2). The lower degree is raised; the second keeps its parameter's
 * length and is moved to follow the first; its weights are scaled as a whole so that both agree at the joint.
 * @param tolerance largest distance of the two ends, in the drawing's unit
 * @throws CurveError `point` where dimensions differ or the ends are farther apart
 */
export function joinCurves(first: Curve, second: Curve, tolerance = 1e-9): Curve {
  if (dimensionOf(first) !== dimensionOf(second)) {
    throw new CurveError('point', told('joinOfMixedDimensions'));
  }
  const degree = Math.max(first.degree, second.degree);
  const raise = (curve: Curve): Curve =>
    curve.degree === degree ? curve : elevateDegree(curve, degree - curve.degree);
  const before = raise(clampEnds(first));
  const [, end] = domainOf(before.knots, degree);
  const [start, finish] = domainOf(second.knots, second.degree);
  const raised = raise(clampEnds(second));
  // A curve that begins where the first ends keeps its knots to the last digit.
  const after = start === end ? raised : mapDomain(raised, end, end + (finish - start));
  const [tail, head] = [before.points.at(-1)!, after.points[0]!];
  const gap = Math.hypot(...tail.map((coordinate, axis) => coordinate - head[axis]!));
  if (!(gap <= tolerance)) {
    throw new CurveError('point', told('endsTooFarApart', { gap, tolerance }), {
      value: gap,
    });
  }
  const joined = {
    degree,
    knots: [...before.knots.slice(0, -1), ...after.knots.slice(degree + 1)],
    points: [...before.points, ...after.points.slice(1)],
  };
  if (!before.weights && !after.weights) return joined;
  const ones = (curve: Curve): readonly number[] => curve.weights ?? curve.points.map(() => 1);
  const scale = ones(before).at(-1)! / ones(after)[0]!;
  return {
    ...joined,
    weights: [
      ...ones(before),
      ...ones(after)
        .slice(1)
        .map((weight) => weight * scale),
    ],
  };
}
