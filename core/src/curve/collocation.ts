import { createBandedMatrix, factoriseBanded, type BandedFactors } from './banded.js';
import { basisFunctions } from './basis.js';
import type { Side } from './curve.js';
import { findSpan } from './knotVector.js';

/** A parameter at which a curve's value is asked for, and from which side where it is a knot. */
export interface Site {
  readonly parameter: number;
  readonly side: Side;
}

/**
 * The factorised collocation matrix of the polynomial basis: row i holds N_j at site i (dB XIII). Sites
 * must not decrease, and the i-th must lie inside the support of N_i (Schoenberg & Whitney); then the
 * matrix is totally positive within a band of p on either side.
 * @throws CurveError `singular` where the sites do not determine a curve, `parameter` outside the domain
 */
export function factoriseCollocation(
  knots: readonly number[],
  degree: number,
  sites: readonly Site[],
): BandedFactors {
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
  return factoriseBanded(matrix);
}
