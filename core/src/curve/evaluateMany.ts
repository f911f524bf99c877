import { told } from '../told/told.js';
import { centredPolynomials } from './centredPolynomials.js';
import type { Curve } from './curve.js';
import { spend } from './effort.js';
import { CurveError } from './error.js';
import { spanIn, spanLookup } from './spanLookup.js';
import { type SpanPolynomials } from './spanPolynomials.js';
import { spanEvaluator, secondDerivativesInPlane, powerPoint, prepared, horner } from './spanEvaluator.js';

/**
 * Many points of a curve at once, without an allocation for each: every span is converted once, and the
 * parameters, in any order, run through Horner's rule (P&T 6.4 with Bernstein coefficients; F 5).
 * @param curve a curve, or the `spanPolynomials` of one, which saves their calculation
 * @param parameters any number of parameters in the domain; a knot is taken from the right
 * @param out receives the coordinates; a new array where not given
 * @returns `dimension` coordinates for each parameter
 * @throws CurveError `parameter` with the index of one outside the domain or not a number
 */
export function pointsAt(
  curve: Curve | SpanPolynomials,
  parameters: ArrayLike<number>,
  out?: Float64Array,
): Float64Array {
  const polynomials = prepared(curve, 0);
  const { degree, dimension, components, starts, ends } = polynomials;
  const bernstein = polynomials.scaled[0]!;
  const { middles, scales, coefficients, exact } = centredPolynomials(polynomials);
  const lookup = spanLookup(polynomials);
  const count = parameters.length;
  spend(20 + count);
  const result = out ?? new Float64Array(count * dimension);
  const length = degree + 1;
  const stride = components * length;
  const cubicInPlane = polynomials.rational && dimension === 2 && degree === 3;
  for (let i = 0; i < count; i++) {
    const u = parameters[i]!;
    const span = spanIn(polynomials, lookup, u, i);
    const outAt = i * dimension;
    const base = span * stride;
    if (exact[span] === 1 && cubicInPlane) {
      const s = (u - middles[span]!) * scales[span]!;
      const c = coefficients;
      const w = 1 / (((c[base + 8]! * s + c[base + 9]!) * s + c[base + 10]!) * s + c[base + 11]!);
      result[outAt] = w * (((c[base]! * s + c[base + 1]!) * s + c[base + 2]!) * s + c[base + 3]!);
      result[outAt + 1] = w * (((c[base + 4]! * s + c[base + 5]!) * s + c[base + 6]!) * s + c[base + 7]!);
      continue;
    }
    if (exact[span] === 1) {
      const s = (u - middles[span]!) * scales[span]!;
      powerPoint(coefficients, base, polynomials, s, result, outAt);
      continue;
    }
    bernsteinPoint(
      bernstein,
      base,
      polynomials,
      (u - starts[span]!) * scales[span]!,
      (ends[span]! - u) * scales[span]!,
      result,
      outAt,
    );
  }
  return result;
}

/** One point by Horner's rule on Bernstein coefficients. */
function bernsteinPoint(
  coefficients: Float64Array,
  base: number,
  { degree, dimension, rational }: SpanPolynomials,
  t: number,
  rest: number,
  result: Float64Array,
  outAt: number,
): void {
  const length = degree + 1;
  const forward = t <= 0.5;
  const ratio = forward ? t / rest : rest / t;
  // A rational point needs no power of the larger share: it cancels between numerator and denominator.
  let factor = 1;
  if (rational) {
    factor = 1 / horner(coefficients, base + dimension * length, length, ratio, forward);
  } else {
    const larger = forward ? rest : t;
    for (let k = 0; k < degree; k++) factor *= larger;
  }
  for (let axis = 0; axis < dimension; axis++) {
    result[outAt + axis] = factor * horner(coefficients, base + axis * length, length, ratio, forward);
  }
}

/**
 * Points and derivatives at many parameters at once, without an allocation for each (rational by the
 * quotient rule, P&T A4.2).
 * @param curve a curve, or the `spanPolynomials` of one prepared up to `order`
 * @param parameters any number of parameters in the domain, in any order; a knot is taken from the right
 * @param order highest derivative, 0 to 3
 * @returns `out[(i * (order + 1) + r) * dimension + axis]` is the r-th derivative at parameter i
 * @throws CurveError `parameter`, `order`, `weight`
 */
export function derivativesAtMany(
  curve: Curve | SpanPolynomials,
  parameters: ArrayLike<number>,
  order: number,
  out?: Float64Array,
): Float64Array {
  if (!Number.isInteger(order) || order < 0 || order > 3) {
    throw new CurveError('order', told('derivativeOrderOfMany', { order }), {
      value: order,
    });
  }
  const polynomials = prepared(curve, order);
  const lookup = spanLookup(polynomials);
  const count = parameters.length;
  spend(20 + count);
  const stride = (order + 1) * polynomials.dimension;
  const result = out ?? new Float64Array(count * stride);
  const { degree, rational, dimension, components, short } = polynomials;
  const { middles, scales, coefficients, exact } = centredPolynomials(polynomials);
  const evaluate = spanEvaluator(polynomials, order);
  if (order === 2 && rational && dimension === 2) {
    for (let i = 0; i < count; i++) {
      const u = parameters[i]!;
      const span = spanIn(polynomials, lookup, u, i);
      if (exact[span] === 1 && short[span] === 0) {
        const scale = scales[span]!;
        const base = span * components * (degree + 1);
        const s = (u - middles[span]!) * scale;
        secondDerivativesInPlane(coefficients, base, degree, s, scale, result, i * stride);
      } else {
        evaluate(span, u, result, i * stride);
      }
    }
    return result;
  }
  for (let i = 0; i < count; i++) {
    const u = parameters[i]!;
    evaluate(spanIn(polynomials, lookup, u, i), u, result, i * stride);
  }
  return result;
}
