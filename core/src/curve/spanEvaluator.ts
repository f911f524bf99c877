import { refuseSignedWeights } from './betweenPoles.js';
import { centredPolynomials } from './centredPolynomials.js';
import type { Curve } from './curve.js';
import { spanPolynomials, type SpanPolynomials } from './spanPolynomials.js';

/**
 * Gives a function that writes point and derivatives of one span at a parameter in it, its ends included,
 * so that what jumps at a knot can be had from either side.
 * @param polynomials prepared up to `order`
 * @param order highest derivative, 0 to 3
 */
export function spanEvaluator(
  polynomials: SpanPolynomials,
  order: number,
): (span: number, u: number, result: Float64Array, outAt: number) => void {
  const { degree, dimension, rational, components, starts, ends, short, scaled } = polynomials;
  const { middles, scales, coefficients: centred, exact } = centredPolynomials(polynomials);
  const powers = new Float64Array(order + 1);
  const denominators = new Float64Array(order + 1);
  return (span, u, result, outAt) => {
    // A third derivative of powers would lose digits that Bernstein coefficients keep.
    if (exact[span] === 1 && order < 3 && !(order > 0 && short[span] === 1)) {
      const scale = scales[span]!;
      const s = (u - middles[span]!) * scale;
      const base = span * components * (degree + 1);
      if (order === 2 && rational && dimension === 2) {
        secondDerivativesInPlane(centred, base, degree, s, scale, result, outAt);
        return;
      }
      for (let component = 0; component < components; component++) {
        const at = base + component * (degree + 1);
        // Value and derivatives together: each step of Horner's rule differentiated (P&T 1.1).
        let d0 = centred[at]!;
        let d1 = 0;
        let d2 = 0;
        for (let k = at + 1; k <= at + degree; k++) {
          d2 = d2 * s + d1;
          d1 = d1 * s + d0;
          d0 = d0 * s + centred[k]!;
        }
        d1 *= scale;
        d2 *= 2 * scale * scale;
        if (component < dimension) {
          const to = outAt + component;
          result[to] = d0;
          if (order > 0) result[to + dimension] = d1;
          if (order > 1) result[to + 2 * dimension] = d2;
        } else {
          denominators[0] = d0;
          if (order > 0) denominators[1] = d1;
          if (order > 1) denominators[2] = d2;
        }
      }
      if (rational) divide(result, outAt, denominators, order, dimension);
      return;
    }
    const start = starts[span]!;
    const end = ends[span]!;
    const width = end - start;
    const t = (u - start) / width;
    const rest = (end - u) / width;
    const forward = t <= 0.5;
    const ratio = forward ? t / rest : rest / t;
    const larger = forward ? rest : t;
    // powers[r] = larger^(p − r) / width^r, by which Horner's sum becomes the r-th derivative by u.
    let product = 1;
    for (let k = degree; k > order; k--) product *= larger;
    for (let r = Math.min(order, degree); r >= 0; r--) {
      powers[r] = product;
      product *= larger;
    }
    let scale = 1;
    for (let r = 1; r <= order; r++) {
      scale /= width;
      powers[r] = r > degree ? 0 : powers[r]! * scale;
    }
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
  };
}

/** The commonest case in one go: a rational curve of the plane up to its second derivative. */
export function secondDerivativesInPlane(
  centred: Float64Array,
  base: number,
  degree: number,
  s: number,
  scale: number,
  out: Float64Array,
  outAt: number,
): void {
  const length = degree + 1;
  let x0 = centred[base]!;
  let y0 = centred[base + length]!;
  let w0 = centred[base + 2 * length]!;
  let x1 = 0;
  let y1 = 0;
  let w1 = 0;
  let x2 = 0;
  let y2 = 0;
  let w2 = 0;
  for (let k = base + 1; k < base + length; k++) {
    x2 = x2 * s + x1;
    y2 = y2 * s + y1;
    w2 = w2 * s + w1;
    x1 = x1 * s + x0;
    y1 = y1 * s + y0;
    w1 = w1 * s + w0;
    x0 = x0 * s + centred[k]!;
    y0 = y0 * s + centred[k + length]!;
    w0 = w0 * s + centred[k + 2 * length]!;
  }
  const inverse = 1 / w0;
  const half = 2 * scale * scale;
  const v1 = w1 * scale * inverse;
  const v2 = w2 * half * inverse;
  const px = x0 * inverse;
  const py = y0 * inverse;
  const dx = x1 * scale * inverse - v1 * px;
  const dy = y1 * scale * inverse - v1 * py;
  out[outAt] = px;
  out[outAt + 1] = py;
  out[outAt + 2] = dx;
  out[outAt + 3] = dy;
  out[outAt + 4] = x2 * half * inverse - 2 * v1 * dx - v2 * px;
  out[outAt + 5] = y2 * half * inverse - 2 * v1 * dy - v2 * py;
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

/** One point by Horner's rule on powers; in the plane all components in one go. */
export function powerPoint(
  coefficients: Float64Array,
  base: number,
  { degree, dimension, rational }: SpanPolynomials,
  s: number,
  out: Float64Array,
  outAt: number,
): void {
  const length = degree + 1;
  if (dimension === 2) {
    let x = coefficients[base]!;
    let y = coefficients[base + length]!;
    if (rational) {
      const weights = base + 2 * length;
      let w = coefficients[weights]!;
      for (let k = 1; k < length; k++) {
        x = x * s + coefficients[base + k]!;
        y = y * s + coefficients[base + length + k]!;
        w = w * s + coefficients[weights + k]!;
      }
      const factor = 1 / w;
      x *= factor;
      y *= factor;
    } else {
      for (let k = 1; k < length; k++) {
        x = x * s + coefficients[base + k]!;
        y = y * s + coefficients[base + length + k]!;
      }
    }
    out[outAt] = x;
    out[outAt + 1] = y;
    return;
  }
  const factor = rational ? 1 / power(coefficients, base + dimension * length, degree, s) : 1;
  for (let axis = 0; axis < dimension; axis++) {
    out[outAt + axis] = factor * power(coefficients, base + axis * length, degree, s);
  }
}

/** Horner's rule on powers, the highest first. */
function power(coefficients: Float64Array, at: number, degree: number, s: number): number {
  let sum = coefficients[at]!;
  for (let k = at + 1; k <= at + degree; k++) sum = sum * s + coefficients[k]!;
  return sum;
}

export function prepared(curve: Curve | SpanPolynomials, order: number): SpanPolynomials {
  if ('scaled' in curve) return curve;
  // One of many parameters may be a pole; `sampleCurve` keeps off them.
  refuseSignedWeights(curve);
  return spanPolynomials(curve, order);
}

/** Horner's sum in ratio, up from the first coefficient or down from the last. */
export function horner(
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
