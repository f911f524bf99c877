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
 * must not decrease, and the i-th must lie inside the support of N_i (Schoenberg & Whitney); then the
 * matrix is totally positive within a band of p on either side.
 * @throws CurveError `singular` where the sites do not determine a curve, `parameter` outside the domain
 */
export function factoriseCollocation(
  knots: readonly number[],
  degree: number,
  sites: readonly Site[],
): Collocation {
  const matrix = createBandedMatrix(sites.length, degree, degree);
  const width = 2 * degree + 1;
  const basis = new Float64Array(degree + 1);
  sites.forEach(({ parameter, side }, row) => {
    const span = findSpan(knots, degree, parameter, side);
    basisFunctions(knots, degree, span, parameter, basis);
    for (let j = 0; j <= degree; j++) {
      const offset = span - degree + j - row;
      // A basis function that reaches outside the band is zero at this site.
      if (Math.abs(offset) <= degree) matrix.entries[row * width + offset + degree] = basis[j]!;
    }
  });
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
