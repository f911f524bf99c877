import { createBandedMatrix, factoriseBanded, solveBanded } from './banded.js';
import { basisFunctions } from './basis.js';
import type { Curve, Side } from './curve.js';
import { factoriseCyclic, solveCyclic } from './cyclic.js';
import { findSpan } from './knotVector.js';
import { distinctPointCount, wrapIndex } from './periodic.js';

/** A parameter at which a curve's value is asked for, and from which side where it is a knot. */
export interface Site {
  readonly parameter: number;
  readonly side: Side;
}

/** Gives the coefficients of the spline that takes given values at its sites. */
export type Collocation = (values: ArrayLike<number>) => Float64Array;

/**
 * Factorises the collocation matrix of the polynomial basis: row i holds N_j at site i (dB XIII). Sites
 * (parameters, taken from the right, or with their side) must not decrease, and the i-th must lie inside the support of N_i (Schoenberg & Whitney); then the
 * matrix is totally positive within a band of p on either side.
 * @throws CurveError `singular` where the sites do not determine a curve, `parameter` outside the domain
 */
export function factoriseCollocation(
  knots: readonly number[],
  degree: number,
  sites: readonly Site[] | readonly number[],
): Collocation {
  const order = degree + 1;
  const count = sites.length;
  const list = new Float64Array(knots);
  const end = list[list.length - order]!;
  const spans = new Int32Array(count);
  const parameters = new Float64Array(count);
  // The band is as narrow as the sites let it be, which decides how much work the system is.
  let lower = 0;
  let upper = 0;
  let span = degree;
  for (let row = 0; row < count; row++) {
    const site = sites[row]!;
    const isPlain = typeof site === 'number';
    const u = isPlain ? site : site.parameter;
    // Sites ascend, so the span is the last one or one of the next.
    if ((isPlain || site.side === 'right') && u >= list[span]! && u < end) {
      while (u >= list[span + 1]!) span++;
    } else {
      span = findSpan(knots, degree, u, isPlain ? 'right' : site.side);
    }
    spans[row] = span;
    parameters[row] = u;
    const first = span - degree - row;
    // At a knot the basis functions that begin or end there are zero.
    const low = u < list[span + 1]! ? first : first + 1;
    const high = u > list[span]! ? first + degree : first + degree - 1;
    if (-low > lower) lower = -low;
    if (high > upper) upper = high;
  }
  // A basis function that reaches outside a band of p on either side is zero at its site where there is a solution.
  lower = Math.min(lower, degree);
  upper = Math.min(upper, degree);
  const matrix = createBandedMatrix(count, lower, upper);
  const { entries } = matrix;
  const width = lower + upper + 1;
  const basis = new Float64Array(order);
  for (let row = 0; row < count; row++) {
    const offset = spans[row]! - degree - row;
    const at = row * width + lower + offset;
    if (offset >= -lower && offset + degree <= upper) {
      basisFunctions(list, degree, spans[row]!, parameters[row]!, entries, at);
      continue;
    }
    basisFunctions(list, degree, spans[row]!, parameters[row]!, basis);
    const last = Math.min(degree, upper - offset);
    for (let j = Math.max(0, -lower - offset); j <= last; j++) entries[at + j] = basis[j]!;
  }
  const factors = factoriseBanded(matrix);
  return (values) => solveBanded(factors, values);
}

/**
 * The same for a periodic curve, whose band runs round: one site for each different control point, in
 * cyclic order.
 * @throws CurveError `singular`, `parameter`
 */
export function factorisePeriodicCollocation(
  curve: Pick<Curve, 'knots' | 'degree' | 'points' | 'periodic'>,
  sites: readonly Site[],
): Collocation {
  const { knots, degree } = curve;
  const count = distinctPointCount(curve as Curve);
  let reach = 0;
  const rows = sites.map(({ parameter, side }, row) => {
    const span = findSpan(knots, degree, parameter, side);
    return [...basisFunctions(knots, degree, span, parameter)].map((value, j) => {
      const column = wrapIndex(span - degree + j, count);
      const around = Math.abs(column - row);
      if (value !== 0) reach = Math.max(reach, Math.min(around, count - around));
      return [column, value] as const;
    });
  });
  const factors = factoriseCyclic(
    rows.map((row) => row.filter(([, value]) => value !== 0)),
    reach,
  );
  return (values) => solveCyclic(factors, values);
}
