import {
  createBandedMatrix,
  factoriseBandedWithExchange,
  solveBanded,
  type BandedFactors,
} from './banded.js';

/** A factorised matrix whose band wraps round from the last column to the first. */
export interface CyclicFactors {
  readonly factors: BandedFactors;
  readonly order: Int32Array;
}

/**
 * The order in which cyclic rows and columns are taken from both ends in turn, 0, last, 1, last but one, …: neighbours of
 * a distance stay within twice that distance.
 * @returns `order[k]` is the index that comes k-th, and `place` the inverse
 */
export function foldedOrder(size: number): { order: Int32Array; place: Int32Array } {
  const order = new Int32Array(size);
  const place = new Int32Array(size);
  for (let k = 0; k < size; k++) {
    order[k] = k % 2 === 0 ? k / 2 : size - 1 - (k - 1) / 2;
    place[order[k]!] = k;
  }
  return { order, place };
}

/**
 * Factorises a cyclic banded matrix. In the folded order a cyclic band of `reach` becomes an ordinary one of twice that.
 * @param rows for each row the columns that are not zero, as [column from 0 to size − 1, value]; a
 * column named twice counts with its sum
 * @param reach largest cyclic distance of such a column from the diagonal
 * @throws CurveError `singular`
 */
export function factoriseCyclic(
  rows: readonly (readonly (readonly [column: number, value: number])[])[],
  reach: number,
): CyclicFactors {
  const size = rows.length;
  const { order, place } = foldedOrder(size);
  const band = Math.max(0, Math.min(size - 1, 2 * reach));
  const matrix = createBandedMatrix(size, band, band);
  rows.forEach((entries, index) => {
    const row = place[index]!;
    for (const [column, value] of entries) {
      matrix.entries[row * (2 * band + 1) + place[column]! - row + band]! += value;
    }
  });
  return { factors: factoriseBandedWithExchange(matrix), order };
}

/** Solves the factorised cyclic system for one right-hand side of `size` values. */
export function solveCyclic(
  { factors, order }: CyclicFactors,
  rightHandSide: ArrayLike<number>,
): Float64Array {
  const folded = solveBanded(
    factors,
    Float64Array.from(order, (index) => rightHandSide[index]!),
  );
  const solution = new Float64Array(order.length);
  order.forEach((index, k) => (solution[index] = folded[k]!));
  return solution;
}
