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
  const matrix = createBandedMatrix(sites.length, degree, degree);
  const { entries } = matrix;
  const width = 2 * degree + 1;
  const basis = new Float64Array(degree + 1);
  const list = Float64Array.from(knots);
  const end = list[list.length - degree - 1]!;
  let span = degree;
  for (let row = 0; row < sites.length; row++) {
    const site = sites[row]!;
    const parameter = typeof site === 'number' ? site : site.parameter;
    const side = typeof site === 'number' ? 'right' : site.side;
    // Sites ascend, so the span is mostly the last one or the next.
    if (side === 'left' || !(parameter >= list[span]! && parameter < list[span + 1]!)) {
      if (
        side === 'right' &&
        parameter < end &&
        parameter >= list[span + 1]! &&
        parameter < list[span + 2]!
      ) {
        span++;
      } else {
        span = findSpan(knots, degree, parameter, side);
      }
    }
    basisFunctions(list, degree, span, parameter, basis);
    for (let j = 0; j <= degree; j++) {
      const offset = span - degree + j - row;
      // A basis function that reaches outside the band is zero at this site.
      if (offset >= -degree && offset <= degree) entries[row * width + offset + degree] = basis[j]!;
    }
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
