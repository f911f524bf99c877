import type { Curve } from './curve.js';
import { CurveError } from './error.js';
import { spanPolynomials, type SpanPolynomials } from './spanPolynomials.js';

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
  const { degree, dimension, rational, components, starts, ends } = polynomials;
  const coefficients = polynomials.scaled[0]!;
  const count = parameters.length;
  const result = out ?? new Float64Array(count * dimension);
  const length = degree + 1;
  const stride = components * length;
  let span = 0;
  for (let i = 0; i < count; i++) {
    const u = parameters[i]!;
    if (!(u >= starts[span]! && u < ends[span]!)) span = spanAt(polynomials, u, i);
    const start = starts[span]!;
    const end = ends[span]!;
    const width = end - start;
    const t = (u - start) / width;
    const rest = (end - u) / width;
    const forward = t <= 0.5;
    const ratio = forward ? t / rest : rest / t;
    const outAt = i * dimension;
    const base = span * stride;
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
  return result;
}

/**
 * Points and derivatives at many parameters at once, without an allocation for each (rational by the
 * quotient rule, P&T A4.2).
 * @param curve a curve, or the `spanPolynomials` of one prepared up to `order`
 * @param parameters any number of parameters in the domain, in any order; a knot is taken from the right
 * @param order highest derivative, 0 to 3
 * @returns `out[(i * (order + 1) + r) * dimension + axis]` is the r-th derivative at parameter i
 * @throws CurveError `parameter`, `order`
 */
export function derivativesAtMany(
  curve: Curve | SpanPolynomials,
  parameters: ArrayLike<number>,
  order: number,
  out?: Float64Array,
): Float64Array {
  if (!Number.isInteger(order) || order < 0 || order > 3) {
    throw new CurveError('order', `The order of derivative is ${order}; many at once go up to 3.`, {
      value: order,
    });
  }
  const polynomials = prepared(curve, order);
  const { degree, dimension, rational, components, starts, ends, scaled } = polynomials;
  const count = parameters.length;
  const rows = order + 1;
  const result = out ?? new Float64Array(count * rows * dimension);
  const powers = new Float64Array(rows);
  const denominators = new Float64Array(rows);
  let span = 0;
  for (let i = 0; i < count; i++) {
    const u = parameters[i]!;
    if (!(u >= starts[span]! && u < ends[span]!)) span = spanAt(polynomials, u, i);
    const start = starts[span]!;
    const end = ends[span]!;
    const width = end - start;
    const t = (u - start) / width;
    const rest = (end - u) / width;
    const forward = t <= 0.5;
    const ratio = forward ? t / rest : rest / t;
    const larger = forward ? rest : t;
    // powers[r] = larger^(p − r) / width^r, by which Horner's sum becomes the r-th derivative by u.
    let power = 1;
    for (let k = degree; k > order; k--) power *= larger;
    for (let r = Math.min(order, degree); r >= 0; r--) {
      powers[r] = power;
      power *= larger;
    }
    let scale = 1;
    for (let r = 1; r <= order; r++) {
      scale /= width;
      powers[r] = r > degree ? 0 : powers[r]! * scale;
    }
    const outAt = i * rows * dimension;
    for (let r = 0; r <= order; r++) {
      const length = degree + 1 - r;
      const coefficients = scaled[r]!;
      const base = span * components * length;
      const factor = powers[r]!;
      for (let axis = 0; axis < dimension; axis++) {
        result[outAt + r * dimension + axis] =
          factor === 0 ? 0 : factor * horner(coefficients, base + axis * length, length, ratio, forward);
      }
      if (rational) {
        denominators[r] =
          factor === 0 ? 0 : factor * horner(coefficients, base + dimension * length, length, ratio, forward);
      }
    }
    if (rational) divide(result, outAt, denominators, order, dimension);
  }
  return result;
}

/** The quotient rule, in place: numerators and their derivatives become those of the curve. */
function divide(
  values: Float64Array,
  at: number,
  denominators: Float64Array,
  order: number,
  dimension: number,
): void {
  const inverse = 1 / denominators[0]!;
  for (let axis = 0; axis < dimension; axis++) {
    const c0 = (values[at + axis]! *= inverse);
    if (order === 0) continue;
    const c1 = (values[at + dimension + axis]! =
      (values[at + dimension + axis]! - denominators[1]! * c0) * inverse);
    if (order === 1) continue;
    const c2 = (values[at + 2 * dimension + axis]! =
      (values[at + 2 * dimension + axis]! - 2 * denominators[1]! * c1 - denominators[2]! * c0) * inverse);
    if (order === 2) continue;
    values[at + 3 * dimension + axis] =
      (values[at + 3 * dimension + axis]! -
        3 * denominators[1]! * c2 -
        3 * denominators[2]! * c1 -
        denominators[3]! * c0) *
      inverse;
  }
}

/**
 * A curve's points at evenly spaced parameters over its whole domain, both ends included, each span run
 * through from its own polynomial.
 * @param count how many points, 2 or more
 * @returns `dimension` coordinates a point
 * @throws CurveError `point-count`
 */
export function tessellate(curve: Curve | SpanPolynomials, count: number, out?: Float64Array): Float64Array {
  if (!Number.isInteger(count) || count < 2) {
    throw new CurveError('point-count', `${count} points were asked for; at least 2 are needed.`, {
      value: count,
    });
  }
  const polynomials = prepared(curve, 0);
  const { degree, dimension, rational, components, starts, ends } = polynomials;
  const coefficients = polynomials.scaled[0]!;
  const result = out ?? new Float64Array(count * dimension);
  const [first, last] = [starts[0]!, ends[ends.length - 1]!];
  const length = degree + 1;
  let i = 0;
  for (let span = 0; span < starts.length; span++) {
    const start = starts[span]!;
    const end = ends[span]!;
    const inverseWidth = 1 / (end - start);
    const final = span === starts.length - 1;
    const base = span * components * length;
    for (; i < count; i++) {
      const u = i === count - 1 ? last : first + ((last - first) * i) / (count - 1);
      if (u >= end && !final) break;
      const t = (u - start) * inverseWidth;
      const rest = (end - u) * inverseWidth;
      const forward = t <= 0.5;
      const ratio = forward ? t / rest : rest / t;
      let factor = 1;
      if (rational) {
        factor = 1 / horner(coefficients, base + dimension * length, length, ratio, forward);
      } else {
        const larger = forward ? rest : t;
        for (let k = 0; k < degree; k++) factor *= larger;
      }
      for (let axis = 0; axis < dimension; axis++) {
        result[i * dimension + axis] =
          factor * horner(coefficients, base + axis * length, length, ratio, forward);
      }
    }
  }
  return result;
}

function prepared(curve: Curve | SpanPolynomials, order: number): SpanPolynomials {
  return 'scaled' in curve ? curve : spanPolynomials(curve, order);
}

/** Horner's sum in ratio, up from the first coefficient or down from the last. */
function horner(
  coefficients: Float64Array,
  at: number,
  length: number,
  ratio: number,
  forward: boolean,
): number {
  let sum: number;
  if (forward) {
    sum = coefficients[at + length - 1]!;
    for (let k = at + length - 2; k >= at; k--) sum = sum * ratio + coefficients[k]!;
  } else {
    const end = at + length;
    sum = coefficients[at]!;
    for (let k = at + 1; k < end; k++) sum = sum * ratio + coefficients[k]!;
  }
  return sum;
}

/** Number of the span that holds `u`; a knot belongs to the span behind it, the end to the last. */
function spanAt({ starts, ends }: SpanPolynomials, u: number, index: number): number {
  let low = 0;
  let high = starts.length;
  if (!(u >= starts[0]! && u <= ends[high - 1]!)) {
    throw new CurveError(
      'parameter',
      `Parameter ${index} is ${u}; it must lie from ${starts[0]!} to ${ends[high - 1]!}.`,
      { index, value: u },
    );
  }
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (starts[middle]! <= u) low = middle;
    else high = middle;
  }
  return low;
}
