import { refuseSignedWeights } from './betweenPoles.js';
import type { Curve } from './curve.js';
import { quadratureBreaks } from './quadratureBreaks.js';
import { derivativesAtMany } from './evaluateMany.js';
import { spanPolynomials, type SpanPolynomials } from './spanPolynomials.js';

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
 * Where a piece is split: beside the middle, since a place where the curve turns back is often a round
 * share of its span, and at the very border of two pieces neither would see it.
 */
const splitRatio = 0.4726;

/** The 16 places of the rule in an interval, with their weights: Σ weight · f(place) approximates ∫ f. */
export function gaussRule(start: number, end: number): { places: Float64Array; weights: Float64Array } {
  const middle = (start + end) / 2;
  const half = (end - start) / 2;
  const places = new Float64Array(16);
  const weights = new Float64Array(16);
  gaussAbscissae.forEach((abscissa, k) => {
    // In an interval of a few ulps rounding could leave it.
    places[2 * k] = Math.max(start, middle - half * abscissa);
    places[2 * k + 1] = Math.min(end, middle + half * abscissa);
    weights[2 * k] = weights[2 * k + 1] = gaussWeights[k]! * half;
  });
  return { places, weights };
}

/** |C′| at many parameters of a curve prepared with its first derivatives. */
export function speedsAt(polynomials: SpanPolynomials, parameters: ArrayLike<number>): Float64Array {
  const { dimension } = polynomials;
  const values = derivativesAtMany(polynomials, parameters, 1);
  return Float64Array.from({ length: parameters.length }, (_, k) => {
    let sum = 0;
    for (let axis = 0; axis < dimension; axis++) {
      sum += values[(2 * k + 1) * dimension + axis]! ** 2;
    }
    return Math.sqrt(sum);
  });
}

/**
 * The arc length between two parameters of one span, by the 16-point Gauss–Legendre rule, halving where
 * two halves disagree with the whole (P&T 6; F 10). Halving ends at the rounding of the points, so a
 * curve that stands still costs no more than others.
 * @param polynomials of the curve, prepared with first derivatives
 * @param tolerance absolute error that is allowed; where not given, the rounding of the length
 */
export function lengthOfPart(
  polynomials: SpanPolynomials,
  start: number,
  end: number,
  tolerance = 0,
): number {
  const rule = (from: number, to: number): number => {
    const { places, weights } = gaussRule(from, to);
    const values = speedsAt(polynomials, places);
    let sum = 0;
    for (let k = 0; k < 16; k++) sum += weights[k]! * values[k]!;
    return sum;
  };
  const whole = rule(start, end);
  // Speeds carry the rounding of their parameters, which is large on a short span far from 0.
  const rounding = (2 ** -50 * Math.max(Math.abs(start), Math.abs(end))) / (end - start);
  const allowed = Math.max(tolerance, Math.max(1e-13, rounding) * whole);
  // Where rounding hides that halves agree, halving would go on without end.
  let budget = 150;
  const adaptive = (from: number, to: number, coarse: number, depth: number): number => {
    const middle = from + splitRatio * (to - from);
    const left = rule(from, middle);
    const right = rule(middle, to);
    if (depth === 0 || budget-- <= 0 || Math.abs(left + right - coarse) <= allowed) return left + right;
    return adaptive(from, middle, left, depth - 1) + adaptive(middle, to, right, depth - 1);
  };
  return end === start ? 0 : adaptive(start, end, whole, 40);
}

/**
 * The arc length of the whole curve.
 * @param tolerance relative to the length, 1e-12 where not given
 * @returns the length in the drawing's unit
 */
export function lengthOfCurve(curve: Curve, tolerance = 1e-12): number {
  refuseSignedWeights(curve);
  const polynomials = spanPolynomials(curve, 1);
  let size = 0;
  for (const point of curve.points) for (const value of point) size = Math.max(size, Math.abs(value));
  const coarse = polynomials.spans.reduce((sum, { start, end }) => {
    const { places, weights } = gaussRule(start, end);
    return sum + speedsAt(polynomials, places).reduce((part, speed, k) => part + speed * weights[k]!, 0);
  }, 0);
  const allowed = tolerance * coarse + 1e-14 * size;
  const places = quadratureBreaks(curve);
  let length = 0;
  for (let k = 1; k < places.length; k++) {
    length += lengthOfPart(polynomials, places[k - 1]!, places[k]!, allowed);
  }
  return length;
}
