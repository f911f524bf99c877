import { spend } from './effort.js';
import { dimensionOf, type Curve } from './curve.js';
import { blossom } from './blossom.js';
import { homogeneousRows } from './homogeneous.js';
import { spansOf, type Span } from './knotVector.js';

/**
 * A curve converted span by span to Bézier form, with its first derivatives in the same form, for
 * running through many parameters fast. The polynomials are homogeneous: `dimension` numerators and, for
 * a rational curve, the denominator after them.
 */
export interface SpanPolynomials {
  readonly spans: readonly Span[];
  /** Where each span starts and ends, as typed arrays for the hot loops. */
  readonly starts: Float64Array;
  readonly ends: Float64Array;
  /** 1 where a span is so short against its neighbours that differences of its own points lose digits. */
  readonly short: Uint8Array;
  readonly degree: number;
  readonly dimension: number;
  readonly rational: boolean;
  /** `dimension`, and one more for a rational curve. */
  readonly components: number;
  /**
   * For each order of derivative r, 0 first, the Bernstein coefficients by the local variable t from 0
   * to 1 over the span, each times its binomial coefficient:
   * `scaled[r][(span * components + component) * (degree + 1 - r) + k]`. Empty above the degree.
   */
  readonly scaled: readonly Float64Array[];
}

/**
 * Converts each span once to Bézier form (P&T 6.4 without its power basis: Bernstein coefficients of a
 * positive denominator don't cancel, so that weights from 1e-3 to 1e3 cost no digits).
 * @param order highest derivative that will be wanted, 0 or more
 */
export function spanPolynomials(curve: Curve, order: number): SpanPolynomials {
  const { degree, knots, weights } = curve;
  const dimension = dimensionOf(curve);
  const components = dimension + (weights ? 1 : 0);
  const spans = spansOf(knots, degree);
  spend(spans.length * (40 + 2 * (degree + 1) ** 2));
  const scaled = Array.from(
    { length: order + 1 },
    (_, r) => new Float64Array(spans.length * components * Math.max(0, degree + 1 - r)),
  );
  const labels = new Float64Array(degree);
  const differences = new Float64Array(degree + 1);
  const short = Uint8Array.from(spans, ({ index, start, end }) => {
    const reach = knots[index + degree]! - knots[index + 1 - degree]!;
    return end - start < reach / shortest ? 1 : 0;
  });
  const derivatives = short.includes(1) ? derivativeSplines(curve, Math.min(order, degree)) : [];
  spans.forEach((span, spanNumber) => {
    const bezier: number[][] = [];
    for (let k = 0; k <= degree; k++) {
      labels.fill(span.start, 0, degree - k).fill(span.end, degree - k);
      bezier.push(blossom(curve, span.index, labels));
    }
    for (let component = 0; component < components; component++) {
      for (let k = 0; k <= degree; k++) differences[k] = bezier[k]![component]!;
      for (let r = 0; r <= Math.min(order, degree); r++) {
        const length = degree + 1 - r;
        const at = (spanNumber * components + component) * length;
        let binomial = 1;
        for (let k = 0; k < length; k++) {
          scaled[r]![at + k] = binomial * differences[k]!;
          binomial = (binomial * (length - 1 - k)) / (k + 1);
        }
        for (let k = 0; k < length - 1; k++)
          differences[k] = (length - 1) * (differences[k + 1]! - differences[k]!);
      }
    }
  });
  // On short spans derivatives come from the differences of the whole curve's control points instead.
  spans.forEach((span, spanNumber) => {
    if (short[spanNumber] === 0) return;
    const width = span.end - span.start;
    for (let r = 1; r <= Math.min(order, degree); r++) {
      const lower = degree - r;
      const at = spanNumber * components * (lower + 1);
      let binomial = width ** r;
      for (let k = 0; k <= lower; k++) {
        labels.fill(span.start, 0, lower - k).fill(span.end, lower - k);
        const row = blossom(derivatives[r]!, span.index - r, labels);
        for (let component = 0; component < components; component++) {
          scaled[r]![at + component * (lower + 1) + k] = binomial * row[component]!;
        }
        binomial = (binomial * (lower - k)) / (k + 1);
      }
    }
  });
  const starts = Float64Array.from(spans, ({ start }) => start);
  const ends = Float64Array.from(spans, ({ end }) => end);
  return {
    spans,
    starts,
    ends,
    short,
    degree,
    dimension,
    rational: weights !== undefined,
    components,
    scaled,
  };
}

/** Against the knots that reach over it, a span shorter than this share counts as short. */
const shortest = 50;

/**
 * The derivatives of the homogeneous curve as splines of their own, by differences of control points over
 * knots (P&T 3.3): entry r has degree p − r. Without weights, since these are coordinates like others.
 */
function derivativeSplines(curve: Curve, order: number): Curve[] {
  const { degree, knots } = curve;
  let points = homogeneousRows(curve);
  const splines: Curve[] = [{ degree, knots, points }];
  for (let r = 1; r <= order; r++) {
    points = points.slice(1).map((point, i) => {
      const width = knots[i + degree + 1]! - knots[i + r]!;
      // Over a gap there is nothing between the two branches.
      const factor = width > 0 ? (degree - r + 1) / width : 0;
      return point.map((value, axis) => factor * (value - points[i]![axis]!));
    });
    splines.push({ degree: degree - r, knots: knots.slice(r, knots.length - r), points });
  }
  return splines;
}
