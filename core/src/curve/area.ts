import { refuseSignedWeights } from './betweenPoles.js';
import { told } from '../told/told.js';
import { dimensionOf, type Curve } from './curve.js';
import { CurveError } from './error.js';
import { derivativesAtMany } from './evaluateMany.js';
import { gaussRule } from './length.js';
import { spanPolynomials } from './spanPolynomials.js';

/**
 * The signed area that a plane curve encloses, ½ ∮ (x y′ − y x′) du, positive where it runs
 * counterclockwise; an open curve is closed by the straight line from its end to its start. By the
 * 16-point Gauss–Legendre rule on each span, exact without weights up to degree 9, halved until it agrees
 * for rational curves (P&T 6).
 * @returns in the square of the drawing's unit
 * @throws CurveError `unsupported` in space
 */
export function enclosedArea(curve: Curve): number {
  refuseSignedWeights(curve);
  if (dimensionOf(curve) !== 2) {
    throw new CurveError('unsupported', told('areaOfPlaneOnly'));
  }
  const polynomials = spanPolynomials(curve, 1);
  // About the curve's start, so that the closing line contributes nothing and no digits are lost far from the origin.
  const { spans } = polynomials;
  const first = derivativesAtMany(polynomials, [spans[0]!.start], 0);
  const [x0, y0] = [first[0]!, first[1]!];
  const rule = (from: number, to: number): number => {
    const { places, weights } = gaussRule(from, to);
    const values = derivativesAtMany(polynomials, places, 1);
    let sum = 0;
    for (let k = 0; k < 16; k++) {
      const at = 4 * k;
      sum += weights[k]! * ((values[at]! - x0) * values[at + 3]! - (values[at + 1]! - y0) * values[at + 2]!);
    }
    return sum / 2;
  };
  let budget = 300;
  const adaptive = (from: number, to: number, coarse: number, depth: number): number => {
    const middle = (from + to) / 2;
    const [left, right] = [rule(from, middle), rule(middle, to)];
    const close = Math.abs(left + right - coarse) <= 1e-13 * (Math.abs(left) + Math.abs(right));
    if (close || depth === 0 || budget-- <= 0) return left + right;
    return adaptive(from, middle, left, depth - 1) + adaptive(middle, to, right, depth - 1);
  };
  return spans.reduce((sum, { start, end }) => {
    const whole = rule(start, end);
    return sum + (polynomials.rational ? adaptive(start, end, whole, 20) : whole);
  }, 0);
}
