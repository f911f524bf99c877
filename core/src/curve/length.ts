import type { Curve } from './curve.js';
import { derivativesAt } from './evaluate.js';
import { spansOf } from './knotVector.js';

/** Abscissae above zero and weights of the 16-point Gauss–Legendre rule on [-1, 1]. */
const gaussAbscissae = [
  0.09501250983763744, 0.2816035507792589, 0.45801677765722737, 0.6178762444026438, 0.755404408355003,
  0.8656312023878318, 0.9445750230732326, 0.9894009349916499,
];
const gaussWeights = [
  0.1894506104550685, 0.1826034150449236, 0.16915651939500254, 0.14959598881657674, 0.12462897125553388,
  0.09515851168249279, 0.06225352393864789, 0.027152459411754096,
];

/**
 * The arc length of the whole curve, by the 16-point Gauss–Legendre rule on each span, halving where
 * two halves disagree with the whole (P&T 6; F 10). Halving ends at the rounding of the points, so a
 * curve that stands still costs no more than others.
 * @param tolerance relative to the length, 1e-12 where not given
 * @returns the length in the drawing's unit
 */
export function lengthOfCurve(curve: Curve, tolerance = 1e-12): number {
  const speed = (u: number): number => Math.hypot(...derivativesAt(curve, u, 1)[1]!);
  const rule = (start: number, end: number): number => {
    const middle = (start + end) / 2;
    const half = (end - start) / 2;
    let sum = 0;
    gaussAbscissae.forEach((abscissa, k) => {
      sum += gaussWeights[k]! * (speed(middle - half * abscissa) + speed(middle + half * abscissa));
    });
    return sum * half;
  };
  const pieces = spansOf(curve.knots, curve.degree).map(({ start, end }) => ({
    start,
    end,
    whole: rule(start, end),
  }));
  const coarse = pieces.reduce((sum, { whole }) => sum + whole, 0);
  const size = Math.max(...curve.points.flat().map(Math.abs));
  const allowed = tolerance * coarse + 1e-14 * size;
  const adaptive = (start: number, end: number, whole: number, depth: number): number => {
    const middle = (start + end) / 2;
    const left = rule(start, middle);
    const right = rule(middle, end);
    if (depth === 0 || Math.abs(left + right - whole) <= allowed) return left + right;
    return adaptive(start, middle, left, depth - 1) + adaptive(middle, end, right, depth - 1);
  };
  return pieces.reduce((sum, { start, end, whole }) => sum + adaptive(start, end, whole, 40), 0);
}
