import type { SpanPolynomials } from './spanPolynomials.js';

/**
 * The spans of a curve as plain polynomials about their middles, for running through a great many
 * parameters: Horner's rule on them needs no division. Where powers would cost digits (extreme weights,
 * high degrees) a span is marked and left to its Bernstein coefficients.
 */
export interface CentredPolynomials {
  /** Middle and one over the width of each span: the variable is (u − middle) · scale, from −½ to ½. */
  readonly middles: Float64Array;
  readonly scales: Float64Array;
  /** `coefficients[(span * components + component) * (degree + 1) + k]`, the highest power first. */
  readonly coefficients: Float64Array;
  /** 1 where the powers are as exact as the Bernstein coefficients to 1e-13. */
  readonly exact: Uint8Array;
}

const known = new WeakMap<SpanPolynomials, CentredPolynomials>();

/** What rounding may come to, against the size of the curve, for powers to be used. */
const allowed = 1e-13;

/** Converts the Bernstein coefficients of each span to powers about its middle, once for each curve. */
export function centredPolynomials(polynomials: SpanPolynomials): CentredPolynomials {
  const found = known.get(polynomials);
  if (found) return found;
  const { starts, ends, degree, dimension, rational, components, scaled } = polynomials;
  const count = starts.length;
  const length = degree + 1;
  const source = scaled[0]!;
  const middles = new Float64Array(count);
  const scales = new Float64Array(count);
  const coefficients = new Float64Array(count * components * length);
  const exact = new Uint8Array(count);
  // (½ − s)^(p−k) (½ + s)^k by powers of s, for each k; the factors 1/2^p are exact.
  const basis = Array.from({ length }, (_, k) => {
    let product = [1];
    for (let j = 0; j < degree; j++) {
      const sign = j < k ? 1 : -1;
      const next = Array<number>(product.length + 1).fill(0);
      product.forEach((value, power) => {
        next[power]! += value / 2;
        next[power + 1]! += sign * value;
      });
      product = next;
    }
    return product;
  });
  const powers = new Float64Array(length);
  for (let span = 0; span < count; span++) {
    middles[span] = (starts[span]! + ends[span]!) / 2;
    scales[span] = 1 / (ends[span]! - starts[span]!);
    let size = 0;
    let bound = 0;
    let smallestWeight = Infinity;
    let weightBound = 0;
    for (let component = 0; component < components; component++) {
      const at = (span * components + component) * length;
      powers.fill(0);
      let binomial = 1;
      for (let k = 0; k <= degree; k++) {
        const value = source[at + k]!;
        const row = basis[k]!;
        for (let power = 0; power <= degree; power++) powers[power]! += value * row[power]!;
        const plain = value / binomial;
        if (component < dimension) size = Math.max(size, Math.abs(plain));
        else smallestWeight = Math.min(smallestWeight, plain);
        binomial = (binomial * (degree - k)) / (k + 1);
      }
      let sum = 0;
      for (let power = 0; power <= degree; power++) {
        coefficients[at + degree - power] = powers[power]!;
        sum += Math.abs(powers[power]!) * 0.5 ** power;
      }
      if (component < dimension) bound = Math.max(bound, sum);
      else weightBound = sum;
    }
    const rounding = length * 2.2e-16;
    const ofPoints = size > 0 ? (rounding * bound) / size : 0;
    // With a weight that is not positive the weight function may come to nothing between.
    const ofWeights = !rational
      ? 0
      : smallestWeight > 0
        ? (rounding * weightBound) / smallestWeight
        : Infinity;
    exact[span] = ofPoints <= allowed && ofWeights <= allowed ? 1 : 0;
  }
  const centred = { middles, scales, coefficients, exact };
  known.set(polynomials, centred);
  return centred;
}
