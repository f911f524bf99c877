import { told } from '../told/told.js';
import type { Curve } from './curve.js';
import { CurveError } from './error.js';
import { joinAll } from './join.js';
import { removeNeedlessKnots } from './needlessKnots.js';

/**
 * One curve of pieces that follow one another, with every knot that the shape does not need taken out:
 * what `decompose` and `splitAtKnots` took apart comes back (P&T 6.2, A5.8).
 * @param pieces one or more, each beginning where the one before ends
 * @param tolerance largest distance of ends, and of the curve after a knot is gone
 * @throws CurveError `point-count` for no piece, `point` where ends do not meet
 */
export function composePieces(pieces: readonly Curve[], tolerance: number): Curve {
  if (pieces.length === 0) throw new CurveError('point-count', told('nothingToJoin'), { value: 0 });
  return removeNeedlessKnots(joinAll(pieces, tolerance), tolerance);
}
