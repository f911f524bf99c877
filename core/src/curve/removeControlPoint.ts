import { told } from '../told/told.js';
import type { Curve } from './curve.js';
import { CurveError } from './error.js';
import { grevilleAbscissae, interiorKnots } from './knotVector.js';
import { removeKnot, type Approximation } from './removeKnot.js';
import { validatePointIndex } from './validate.js';

/**
 * A curve with one control point less, and with it the edit point of the same number: the interior knot nearest to that
 * point's Greville abscissa is taken out, which keeps the rest in place as well as it can (P&T A5.8). What it costs is
 * measured.
 * @param index of a control point; its ends cannot go
 * @throws CurveError `index`, `point-count` where the curve has no interior knot to give up, and those of `removeKnot`
 */
export function removeControlPoint(curve: Curve, index: number): Approximation {
  validatePointIndex(curve, index);
  const { degree, knots } = curve;
  const inner = interiorKnots(knots, degree);
  if (inner.length === 0) {
    throw new CurveError('point-count', told('lastPoints', { count: curve.points.length, degree }), {
      value: curve.points.length,
    });
  }
  const abscissa = grevilleAbscissae(knots, degree)[index]!;
  const nearest = inner.reduce((best, knot) =>
    Math.abs(knot.value - abscissa) < Math.abs(best.value - abscissa) ? knot : best,
  );
  return removeKnot(curve, nearest.value, 1);
}
