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
  readonly matrix: BandedMatrix;
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
    for (let offset = 0; offset < width; offset++) {
      scale = Math.max(scale, Math.abs(matrix.entries[column * width + offset]!));
    }
    if (!(Math.abs(pivot) > scale * 1e-14)) {
      throw new CurveError(
        'singular',
        `The system has no single solution: row ${column} depends on the others.`,
        {
          index: column,
          value: pivot,
        },
      );
    }
    const lastRow = Math.min(size - 1, column + lower);
    const lastColumn = Math.min(size - 1, column + upper);
    for (let row = column + 1; row <= lastRow; row++) {
      const at = row * width + column - row + lower;
      const factor = entries[at]! / pivot;
      entries[at] = factor;
      if (factor === 0) continue;
      for (let k = column + 1; k <= lastColumn; k++) {
        entries[row * width + k - row + lower]! -= factor * entries[column * width + k - column + lower]!;
      }
    }
  }
  return { matrix: { size, lower, upper, entries } };
}

/**
 * Solves the factorised system for one right-hand side.
 * @param rightHandSide `size` values; not changed
 * @returns the solution, `size` values
 */
export function solveBanded(factors: BandedFactors, rightHandSide: ArrayLike<number>): Float64Array {
  const { size, lower, upper, entries } = factors.matrix;
  const width = lower + upper + 1;
  const solution = Float64Array.from(rightHandSide);
  for (let row = 0; row < size; row++) {
    let value = solution[row]!;
    for (let column = Math.max(0, row - lower); column < row; column++) {
      value -= entries[row * width + column - row + lower]! * solution[column]!;
    }
    solution[row] = value;
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
