import { told } from '../told/told.js';
import type { Curve } from './curve.js';
import { CurveError } from './error.js';
import { insertKnot } from './insertKnot.js';
import { domainOf, grevilleAbscissae } from './knotVector.js';
import { distinctPointCount, unrolledKnot, wrapParameter } from './periodic.js';
import { validateParameter } from './validate.js';

/** How often the interval of the knot is halved: until it is as exact as parameters are. */
const halvings = 60;

/**
 * The same curve with one more edit point, at a parameter: the knot is found whose insertion puts a Greville abscissa
 * there. Between two old abscissae exactly one new one lies, and it grows with the knot (dB IX; P&T 5.2), so halving
 * finds it. The shape stays; the other edit points shift along the curve.
 * @param u a parameter inside the domain, apart from the edit points that are there
 * @throws CurveError `parameter`, `unsupported` for a periodic curve of no more points than its degree, `knot-multiplicity` where the knot would stand too
 * often
 */
export function insertEditPoint(curve: Curve, u: number): Curve {
  validateParameter(curve, u);
  const { degree, periodic } = curve;
  const [start, end] = domainOf(curve.knots, degree);
  const near = 1e-9 * (end - start);
  const knots = periodic ? unrolled(curve) : curve.knots;
  const old = grevilleAbscissae(knots, degree);
  const isEnd = !periodic && (u <= start || u >= end);
  if (isEnd || old.some((abscissa) => Math.abs(abscissa - u) <= near)) {
    throw new CurveError('parameter', told('editPointThere', { parameter: u }), { value: u });
  }
  const index = old.findIndex((abscissa) => abscissa > u);
  /** The abscissa of this number when the knot is put at x. */
  const at = (x: number): number => {
    const position = knots.findLastIndex((knot) => knot <= x) + 1;
    let sum = 0;
    for (let k = index + 1; k <= index + degree; k++) {
      sum += k < position ? knots[k]! : k === position ? x : knots[k - 1]!;
    }
    return sum / degree;
  };
  // The knot lies in the support of the new point, which is shorter than a period.
  const period = end - start;
  let [low, high] = periodic ? [u - period, u + period] : [start, end];
  for (let k = 0; k < halvings; k++) {
    const middle = (low + high) / 2;
    if (at(middle) < u) low = middle;
    else high = middle;
  }
  const knot = (low + high) / 2;
  return insertKnot(curve, periodic ? wrapParameter(curve, knot) : knot);
}

/**
 * The knots of a periodic curve over three periods. With more knots in a period than its degree, the images of a new
 * knot act on no abscissa together.
 */
function unrolled(curve: Curve): readonly number[] {
  const count = distinctPointCount(curve);
  if (count <= curve.degree) throw new CurveError('unsupported', told('tooFewToInsert'));
  return Array.from({ length: 3 * count + curve.degree }, (_, k) => unrolledKnot(curve, k - count));
}
