import { told } from '../told/told.js';
import { basisFunctions } from './basis.js';
import { sampledParts } from './betweenPoles.js';
import type { Curve, Side } from './curve.js';
import { CurveError } from './error.js';
import { findSpan } from './knotVector.js';

/** Values of a curve's basis functions, sampled span by span for drawing. */
export interface BasisSamples {
  /** Number of spans; of a curve with poles, of parts between them. */
  readonly spanCount: number;
  readonly perSpan: number;
  /** One parameter a sample, `perSpan + 1` a span, both ends of each span included. */
  readonly parameters: Float64Array;
  /** `values[sample * (degree + 1) + j]` belongs to the function `firstIndex[span] + j`. */
  readonly values: Float64Array;
  /** For each span the index of the first basis function that is not zero on it. */
  readonly firstIndex: readonly number[];
}

/** The basis functions of a curve that are not zero at a parameter. */
export interface BasisAt {
  /** Index of the first of them; there are degree + 1. */
  readonly firstIndex: number;
  readonly values: Float64Array;
}

/**
 * Values of a curve's basis functions at a parameter: the rational ones R_i where the curve has weights,
 * N_i where it has none (P&T 2.2, 4.2). They sum to one.
 * @throws CurveError `parameter` outside the domain, `pole` where the curve runs to infinity
 */
export function basisAt(
  curve: Pick<Curve, 'degree' | 'knots' | 'weights'>,
  u: number,
  side: Side = 'right',
): BasisAt {
  const span = findSpan(curve.knots, curve.degree, u, side);
  const values = new Float64Array(curve.degree + 1);
  fillBasis(curve, span, u, values);
  return { firstIndex: span - curve.degree, values };
}

function fillBasis(
  { degree, knots, weights }: Pick<Curve, 'degree' | 'knots' | 'weights'>,
  span: number,
  u: number,
  row: Float64Array,
): void {
  basisFunctions(knots, degree, span, u, row);
  if (!weights) return;
  let denominator = 0;
  for (let j = 0; j <= degree; j++) denominator += row[j]! *= weights[span - degree + j]!;
  if (denominator === 0) throw new CurveError('pole', told('pole', { parameter: u }), { value: u });
  for (let j = 0; j <= degree; j++) row[j]! /= denominator;
}

/**
 * Samples the basis functions of a curve, `perSpan` steps to each span, or part of one between poles: the rational ones R_i where the
 * curve has weights, N_i where it has none (P&T 2.2, 4.2).
 * @param perSpan steps a span, at least 1
 */
export function sampleBasis(curve: Curve, perSpan: number): BasisSamples {
  const { degree } = curve;
  const spans = sampledParts(curve);
  const width = degree + 1;
  const total = spans.length * (perSpan + 1);
  const parameters = new Float64Array(total);
  const values = new Float64Array(total * width);
  let sample = 0;
  for (const span of spans) {
    for (let step = 0; step <= perSpan; step++, sample++) {
      const u = step === perSpan ? span.end : span.start + ((span.end - span.start) * step) / perSpan;
      parameters[sample] = u;
      const row = values.subarray(sample * width, (sample + 1) * width);
      fillBasis(curve, span.index, u, row);
    }
  }
  return {
    spanCount: spans.length,
    perSpan,
    parameters,
    values,
    firstIndex: spans.map(({ index }) => index - degree),
  };
}
