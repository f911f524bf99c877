import { told } from '../told/told.js';
import type { Curve } from './curve.js';
import { CurveError } from './error.js';
import { joinCurves } from './join.js';
import { interiorKnots } from './knotVector.js';
import { removableTimes, removeKnot } from './removeKnot.js';

/**
 * One curve of pieces that follow one another, with every knot that the shape does not need taken out:
 * what `decompose` and `splitAtKnots` took apart comes back (P&T 6.2, A5.8).
 * @param pieces one or more, each beginning where the one before ends
 * @param tolerance largest distance of ends, and of the curve after a knot is gone
 * @throws CurveError `point-count` for no piece, `point` where ends do not meet
 */
export function composePieces(pieces: readonly Curve[], tolerance: number): Curve {
  const [first, ...rest] = pieces;
  if (!first) throw new CurveError('point-count', told('nothingToJoin'), { value: 0 });
  const joined = rest.reduce((curve, piece) => joinCurves(curve, piece, tolerance), first);
  return removeNeedlessKnots(joined, tolerance);
}

/**
 * The same curve within a tolerance without the knots that it does not need.
 * @param tolerance largest distance that one knot's removal may cost
 */
export function removeNeedlessKnots(curve: Curve, tolerance: number): Curve {
  return interiorKnots(curve.knots, curve.degree).reduce((left, { value }) => {
    const times = removableTimes(left, value, tolerance);
    return times > 0 ? removeKnot(left, value, times).curve : left;
  }, curve);
}
