import { told } from '../told/told.js';
import { CurveError } from './error.js';

/**
 * A square matrix that is zero outside a band around its diagonal, stored row after row with
 * `lower + upper + 1` entries a row.
 */
export interface BandedMatrix {
  readonly size: number;
  /** Number of diagonals kept below the main one. */
  readonly lower: number;
  /** Number of diagonals kept above the main one. */
  readonly upper: number;
  /** `entries[row * (lower + upper + 1) + column - row + lower]` is the entry at (row, column). */
  readonly entries: Float64Array;
}

export function createBandedMatrix(size: number, lower: number, upper: number): BandedMatrix {
  return { size, lower, upper, entries: new Float64Array(size * (lower + upper + 1)) };
}

/** A factorised banded matrix, ready to solve for any right-hand side. */
export interface BandedFactors {
  readonly size: number;
  readonly lower: number;
  readonly upper: number;
  readonly entries: Float64Array;
  /** For each column the row that was exchanged with it; absent where none was. */
  readonly exchanged?: Int32Array;
}

function refuseSingular(column: number, pivot: number): never {
  throw new CurveError('singular', told('systemSingular', { row: column }), { index: column, value: pivot });
}

/**
 * Factorises a banded matrix into lower and upper triangle without exchanging rows, which is stable for
 * the totally positive matrices of B-spline collocation (dB XIII; de Boor & Pinkus 1977).
 * @throws CurveError `singular` with the row whose pivot vanishes
 */
export function factoriseBanded(matrix: BandedMatrix): BandedFactors {
  const { size, lower, upper } = matrix;
  const width = lower + upper + 1;
  const entries = matrix.entries.slice();
  for (let column = 0; column < size; column++) {
    const pivot = entries[column * width + lower]!;
    let scale = 0;
    for (let at = column * width; at < (column + 1) * width; at++) {
      const entry = matrix.entries[at]!;
      if (entry > scale) scale = entry;
      else if (-entry > scale) scale = -entry;
    }
    if (!(Math.abs(pivot) > scale * 1e-14)) refuseSingular(column, pivot);
    const lastRow = Math.min(size - 1, column + lower);
    const reach = Math.min(size - 1 - column, upper);
    const pivotAt = column * width + lower;
    for (let row = column + 1; row <= lastRow; row++) {
      const at = row * width + column - row + lower;
      const entry = entries[at]!;
      if (entry === 0) continue;
      const factor = entry / pivot;
      entries[at] = factor;
      for (let k = 1; k <= reach; k++) entries[at + k]! -= factor * entries[pivotAt + k]!;
    }
  }
  return { size, lower, upper, entries };
}

/**
 * Factorises any banded matrix with exchange of rows, for systems that are not totally positive. The
 * upper band grows by `lower` (Golub & Van Loan 4.3).
 * @throws CurveError `singular` with the column that has no pivot
 */
export function factoriseBandedWithExchange(matrix: BandedMatrix): BandedFactors {
  const { size, lower } = matrix;
  const upper = matrix.upper + lower;
  const width = lower + upper + 1;
  const oldWidth = lower + matrix.upper + 1;
  const entries = new Float64Array(size * width);
  let largest = 0;
  for (let row = 0; row < size; row++) {
    for (let k = 0; k < oldWidth; k++) {
      const entry = matrix.entries[row * oldWidth + k]!;
      entries[row * width + k] = entry;
      largest = Math.max(largest, Math.abs(entry));
    }
  }
  const exchanged = new Int32Array(size);
  for (let column = 0; column < size; column++) {
    const lastRow = Math.min(size - 1, column + lower);
    let best = column;
    for (let row = column + 1; row <= lastRow; row++) {
      const candidate = Math.abs(entries[row * width + column - row + lower]!);
      if (candidate > Math.abs(entries[best * width + column - best + lower]!)) best = row;
    }
    exchanged[column] = best;
    const reach = Math.min(size - 1 - column, upper);
    if (best !== column) {
      const from = best * width + column - best + lower;
      const to = column * width + lower;
      for (let k = 0; k <= reach; k++) {
        const kept = entries[to + k]!;
        entries[to + k] = entries[from + k]!;
        entries[from + k] = kept;
      }
    }
    const pivotAt = column * width + lower;
    const pivot = entries[pivotAt]!;
    if (!(Math.abs(pivot) > largest * 1e-13)) refuseSingular(column, pivot);
    for (let row = column + 1; row <= lastRow; row++) {
      const at = row * width + column - row + lower;
      const entry = entries[at]!;
      if (entry === 0) continue;
      const factor = entry / pivot;
      entries[at] = factor;
      for (let k = 1; k <= reach; k++) entries[at + k]! -= factor * entries[pivotAt + k]!;
    }
  }
  return { size, lower, upper, entries, exchanged };
}

/**
 * Solves the factorised system for one right-hand side.
 * @param rightHandSide `size` values; not changed
 * @returns the solution, `size` values
 */
export function solveBanded(factors: BandedFactors, rightHandSide: ArrayLike<number>): Float64Array {
  const { size, lower, upper, entries, exchanged } = factors;
  const width = lower + upper + 1;
  const solution = new Float64Array(rightHandSide);
  if (exchanged) {
    for (let column = 0; column < size; column++) {
      const other = exchanged[column]!;
      const value = solution[other]!;
      solution[other] = solution[column]!;
      solution[column] = value;
      const lastRow = Math.min(size - 1, column + lower);
      for (let row = column + 1; row <= lastRow; row++) {
        solution[row]! -= entries[row * width + column - row + lower]! * value;
      }
    }
  } else {
    for (let row = 0; row < size; row++) {
      let value = solution[row]!;
      for (let column = Math.max(0, row - lower); column < row; column++) {
        value -= entries[row * width + column - row + lower]! * solution[column]!;
      }
      solution[row] = value;
    }
  }
  for (let row = size - 1; row >= 0; row--) {
    let value = solution[row]!;
    const last = Math.min(size - 1, row + upper);
    for (let column = row + 1; column <= last; column++) {
      value -= entries[row * width + column - row + lower]! * solution[column]!;
    }
    solution[row] = value / entries[row * width + lower]!;
  }
  return solution;
}
