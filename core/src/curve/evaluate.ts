import { told } from '../told/told.js';
import { basisDerivatives, basisFunctions } from './basis.js';
import { dimensionOf, type Curve, type Point, type Side } from './curve.js';
import { CurveError } from './error.js';
import { findSpan } from './knotVector.js';

/**
 * The curve's point at `u` (P&T A3.1; rational A4.1).
 * @param u a parameter in the domain
 * @param side which span's polynomial is taken at a knot; it matters only at a gap (multiplicity p + 1)
 * @throws CurveError `parameter`
 */
export function pointAt(curve: Curve, u: number, side: Side = 'right'): Point {
  const { degree, knots, points, weights } = curve;
  const span = findSpan(knots, degree, u, side);
  const basis = basisFunctions(knots, degree, span, u);
  const dimension = dimensionOf(curve);
  const sum = new Array<number>(dimension).fill(0);
  let denominator = 0;
  for (let j = 0; j <= degree; j++) {
    const index = span - degree + j;
    const factor = basis[j]! * (weights ? weights[index]! : 1);
    denominator += factor;
    for (let axis = 0; axis < dimension; axis++) sum[axis]! += factor * points[index]![axis]!;
  }
  return weights ? sum.map((value) => value / denominator) : sum;
}

/**
 * The curve's point and derivatives at `u` (P&T A3.2; rational by the quotient rule, A4.2).
 * @param order highest derivative wanted, 0 or more
 * @param side one-sided derivatives at a knot: from the right where not given (always from inside at
 * the ends of the domain)
 * @returns `order + 1` vectors: the point, then the derivatives of order 1, 2, …
 * @throws CurveError `parameter`, `order`
 */
export function derivativesAt(curve: Curve, u: number, order: number, side: Side = 'right'): Point[] {
  if (!Number.isInteger(order) || order < 0) {
    throw new CurveError('order', told('derivativeOrder', { order }), {
      value: order,
    });
  }
  const { degree, knots, points, weights } = curve;
  const span = findSpan(knots, degree, u, side);
  const basis = basisDerivatives(knots, degree, span, u, order);
  const dimension = dimensionOf(curve);
  const numerators: number[][] = [];
  const denominators: number[] = [];
  for (let k = 0; k <= order; k++) {
    const sum = new Array<number>(dimension).fill(0);
    let denominator = 0;
    for (let j = 0; j <= degree; j++) {
      const index = span - degree + j;
      const factor = basis[k * (degree + 1) + j]! * (weights ? weights[index]! : 1);
      denominator += factor;
      for (let axis = 0; axis < dimension; axis++) sum[axis]! += factor * points[index]![axis]!;
    }
    numerators.push(sum);
    denominators.push(denominator);
  }
  if (!weights) return numerators;
  const result: number[][] = [];
  for (let k = 0; k <= order; k++) {
    const value = numerators[k]!.slice();
    let binomial = 1;
    for (let i = 1; i <= k; i++) {
      binomial = (binomial * (k - i + 1)) / i;
      for (let axis = 0; axis < dimension; axis++) {
        value[axis]! -= binomial * denominators[i]! * result[k - i]![axis]!;
      }
    }
    result.push(value.map((coordinate) => coordinate / denominators[0]!));
  }
  return result;
}

/**
 * Values of the rational basis functions R_i = N_i w_i / Σ N_j w_j that are not zero at `u`; those of a
 * polynomial curve are its N_i (P&T 4.2).
 * @param side which span is taken at a knot
 * @returns p + 1 values, which sum to one, and the index of the control point that the first belongs to
 * @throws CurveError `parameter`
 */
export function rationalBasisFunctions(
  curve: Pick<Curve, 'degree' | 'knots' | 'weights'>,
  u: number,
  side: Side = 'right',
): { first: number; values: Float64Array } {
  const { degree, knots, weights } = curve;
  const span = findSpan(knots, degree, u, side);
  const values = basisFunctions(knots, degree, span, u);
  const first = span - degree;
  if (weights) {
    let denominator = 0;
    for (let j = 0; j <= degree; j++) denominator += values[j]! *= weights[first + j]!;
    for (let j = 0; j <= degree; j++) values[j]! /= denominator;
  }
  return { first, values };
}
