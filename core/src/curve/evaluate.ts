import { told } from '../told/told.js';
import { basisDerivatives, basisFunctions } from './basis.js';
import { dimensionOf, type Curve, type Point, type Side } from './curve.js';
import { spend } from './effort.js';
import { CurveError } from './error.js';
import { findSpan } from './knotVector.js';

/**
 * The curve's point at `u` (P&T A3.1; rational A4.1).
 * @param u a parameter in the domain
 * @param side which span's polynomial is taken at a knot; it matters only at a gap (multiplicity p + 1)
 * @throws CurveError `parameter`, `pole`
 */
export function pointAt(curve: Curve, u: number, side: Side = 'right'): Point {
  const { degree, knots, points, weights } = curve;
  spend(5 + degree);
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
  if (!weights) return sum;
  if (denominator === 0) return derivativesAt(curve, u, 0, side)[0]!;
  return sum.map((value) => value / denominator);
}

/**
 * The curve's point and derivatives at `u` (P&T A3.2; rational by the quotient rule, A4.2).
 * @param order highest derivative wanted, 0 or more
 * @param side one-sided derivatives at a knot: from the right where not given (always from inside at
 * the ends of the domain)
 * @returns `order + 1` vectors: the point, then the derivatives of order 1, 2, …
 * @throws CurveError `parameter`, `order`, `pole`
 */
export function derivativesAt(curve: Curve, u: number, order: number, side: Side = 'right'): Point[] {
  if (!Number.isInteger(order) || order < 0) {
    throw new CurveError('order', told('derivativeOrder', { order }), {
      value: order,
    });
  }
  const { weights } = curve;
  spend(5 + 2 * (order + 1) * (curve.degree + 1));
  const { numerators, denominators } = homogeneousDerivatives(curve, u, order, side);
  if (!weights) return numerators;
  return quotients(
    denominators[0] === 0 ? withoutSharedZero(curve, u, order, side) : { numerators, denominators },
  );
}

/** Derivatives of the weighted coordinates and of the weight function, the values first. */
interface HomogeneousDerivatives {
  readonly numerators: number[][];
  readonly denominators: number[];
}

function homogeneousDerivatives(curve: Curve, u: number, order: number, side: Side): HomogeneousDerivatives {
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
  return { numerators, denominators };
}

/**
 * The same for numerators and weight function without the factor (t − u)^m by which both vanish at u, as at an end whose
 * weight is zero: what is left of f has the derivatives k! / (k + m)! f^(k + m) there.
 * @throws CurveError `pole` where only the weight function vanishes
 */
function withoutSharedZero(curve: Curve, u: number, order: number, side: Side): HomogeneousDerivatives {
  const all = homogeneousDerivatives(curve, u, order + curve.degree, side);
  const shared = all.denominators.findIndex(
    (value, k) => value !== 0 || all.numerators[k]!.some((component) => component !== 0),
  );
  if (shared < 0 || all.denominators[shared] === 0) {
    throw new CurveError('pole', told('pole', { parameter: u }), { value: u });
  }
  const factors = Array.from({ length: order + 1 }, (_, k) => {
    let factor = 1;
    for (let j = 1; j <= shared; j++) factor /= k + j;
    return factor;
  });
  return {
    numerators: factors.map((factor, k) => all.numerators[k + shared]!.map((value) => factor * value)),
    denominators: factors.map((factor, k) => factor * all.denominators[k + shared]!),
  };
}

/** The derivatives of numerators over a denominator (P&T 4.3, eq. 4.8). */
function quotients({ numerators, denominators }: HomogeneousDerivatives): Point[] {
  const result: number[][] = [];
  for (let k = 0; k < numerators.length; k++) {
    const value = numerators[k]!.slice();
    let binomial = 1;
    for (let i = 1; i <= k; i++) {
      binomial = (binomial * (k - i + 1)) / i;
      for (let axis = 0; axis < value.length; axis++) {
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
    if (denominator === 0) throw new CurveError('pole', told('pole', { parameter: u }), { value: u });
    for (let j = 0; j <= degree; j++) values[j]! /= denominator;
  }
  return { first, values };
}
