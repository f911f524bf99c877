import { told } from '../told/told.js';
import { rowsOfPieces } from './assemble.js';
import type { Curve } from './curve.js';
import { decompose } from './decompose.js';
import { CurveError } from './error.js';
import { curveOfRows, homogeneousRows } from './homogeneous.js';
import { clampedKnotVector, domainOf, interiorKnots, validateDegree } from './knotVector.js';
import { knotsOfOnePeriod, periodOf, periodicKnotVector, periodicOfRows } from './periodic.js';

/**
 * The same curve at a higher degree; every knot stands as many times more, so that its continuity stays
 * (P&T 5.5). Each Bézier piece is elevated by itself, which only takes means of points (P&T 5.36), and the
 * points of the whole curve are read off the pieces as blossom values (F 8): each off the longest span of
 * its support, where that loses the fewest digits.
 * @param times by how many degrees, 1 or more; the result's degree is at most 9
 * @returns a curve with clamped ends, or a periodic one of a periodic one
 * @throws CurveError `degree`, `order` (times)
 */
export function elevateDegree(curve: Curve, times = 1): Curve {
  if (!Number.isInteger(times) || times < 1) {
    throw new CurveError('order', told('elevationTimes', { times }), {
      value: times,
    });
  }
  const degree = curve.degree + times;
  validateDegree(degree);
  const pieces = decompose(curve).map((piece) => elevatePiece(piece, times));
  if (curve.periodic) {
    const knots = periodicKnotVector(
      knotsOfOnePeriod(curve).map(({ value, multiplicity }) => ({
        value,
        multiplicity: Math.min(multiplicity + times, degree),
      })),
      domainOf(curve.knots, curve.degree)[1],
      degree,
    );
    return periodicOfRows(curve, knots, rowsOfPieces(pieces, knots, degree, periodOf(curve)));
  }
  const knots = clampedKnotVector(
    ...domainOf(curve.knots, curve.degree),
    interiorKnots(curve.knots, curve.degree).map(({ value, multiplicity }) => ({
      value,
      multiplicity: Math.min(multiplicity + times, degree + 1),
    })),
    degree,
  );
  return curveOfRows(curve, degree, knots, rowsOfPieces(pieces, knots, degree));
}

/** A Bézier piece of a higher degree: Q_k = k/(p+1) P_{k−1} + (1 − k/(p+1)) P_k, as often as wanted (P&T 5.36). */
export function elevatePiece(piece: Curve, times: number): Curve {
  let rows = homogeneousRows(piece);
  for (let time = 0; time < times; time++) {
    const order = rows.length;
    const raised: number[][] = [];
    for (let k = 0; k <= order; k++) {
      const before = rows[Math.max(0, k - 1)]!;
      const after = rows[Math.min(order - 1, k)]!;
      raised.push(before.map((value, axis) => (k / order) * value + (1 - k / order) * after[axis]!));
    }
    rows = raised;
  }
  const [start, end] = domainOf(piece.knots, piece.degree);
  const degree = piece.degree + times;
  const ends = (value: number): number[] => Array<number>(degree + 1).fill(value);
  return curveOfRows(piece, degree, [...ends(start), ...ends(end)], rows);
}
