import { told } from '../told/told.js';
import { CurveError } from './error.js';
import { hypotenuse } from './vector.js';

/**
 * A least-squares problem whose rows come one after the other and reach over few neighbouring unknowns.
 * It is kept as a triangle and each row is turned into it by Givens rotations (Golub & Van Loan 5.2; Cox
 * 1981 for splines), which spares half the digits that normal equations lose.
 */
export interface RowwiseLeastSquares {
  readonly size: number;
  readonly width: number;
  readonly components: number;
  /** `triangle[row * width + k]` is the entry at column row + k. */
  readonly triangle: Float64Array;
  readonly rightHandSides: Float64Array;
  /** Where an equation is turned into the triangle: a coefficient for each unknown, all zero between equations. */
  readonly equation: Float64Array;
}

/**
 * @param size number of unknowns
 * @param width largest number of neighbouring unknowns that a row reaches
 * @param components number of right-hand sides
 */
export function createLeastSquares(size: number, width: number, components: number): RowwiseLeastSquares {
  return {
    size,
    width,
    components,
    triangle: new Float64Array(size * width),
    rightHandSides: new Float64Array(size * components),
    equation: new Float64Array(size),
  };
}

/**
 * Adds one equation.
 * @param first the first unknown it names
 * @param coefficients its `width` coefficients; those that reach past the last unknown must be 0
 * @param values its right-hand sides, used up
 */
export function addEquation(
  { size, width, components, triangle, rightHandSides, equation }: RowwiseLeastSquares,
  first: number,
  coefficients: Float64Array,
  values: Float64Array,
): void {
  let last = Math.min(size, first + width) - 1;
  for (let column = first; column <= last; column++) equation[column] = coefficients[column - first]!;
  for (let column = first; column <= last; column++) {
    const entry = equation[column]!;
    if (entry === 0) continue;
    equation[column] = 0;
    const at = column * width - column;
    const end = Math.min(size, column + width);
    const pivot = triangle[at + column]!;
    const side = column * components;
    if (pivot === 0) {
      // The triangle has no row for this unknown yet: what is left of the equation is it.
      triangle[at + column] = entry;
      for (let k = column + 1; k <= last; k++) {
        triangle[at + k] = equation[k]!;
        equation[k] = 0;
      }
      for (let c = 0; c < components; c++) rightHandSides[side + c] = values[c]!;
      return;
    }
    const radius = hypotenuse(pivot, entry);
    const cosine = pivot / radius;
    const sine = entry / radius;
    triangle[at + column] = radius;
    for (let k = column + 1; k < end; k++) {
      const above = triangle[at + k]!;
      const below = equation[k]!;
      triangle[at + k] = cosine * above + sine * below;
      equation[k] = cosine * below - sine * above;
    }
    last = end - 1;
    for (let c = 0; c < components; c++) {
      const above = rightHandSides[side + c]!;
      const below = values[c]!;
      rightHandSides[side + c] = cosine * above + sine * below;
      values[c] = cosine * below - sine * above;
    }
  }
}

/**
 * The unknowns that leave the smallest sum of squares.
 * @returns `size * components` values, the components of one unknown together
 * @throws CurveError `singular` with the unknown that the equations leave open
 */
export function solveLeastSquares({
  size,
  width,
  components,
  triangle,
  rightHandSides,
}: RowwiseLeastSquares): Float64Array {
  const solution = rightHandSides.slice();
  let largest = 0;
  for (let row = 0; row < size; row++) largest = Math.max(largest, Math.abs(triangle[row * width]!));
  for (let row = size - 1; row >= 0; row--) {
    const pivot = triangle[row * width]!;
    if (!(Math.abs(pivot) > largest * 1e-11)) {
      throw new CurveError('singular', told('pointUndetermined', { index: row }), { index: row });
    }
    const reach = Math.min(width - 1, size - 1 - row);
    for (let c = 0; c < components; c++) {
      let value = solution[row * components + c]!;
      for (let k = 1; k <= reach; k++) {
        value -= triangle[row * width + k]! * solution[(row + k) * components + c]!;
      }
      solution[row * components + c] = value / pivot;
    }
  }
  return solution;
}

/**
 * The least-squares solution of a small dense system.
 * @param matrix rows of equal length, at least as many as unknowns
 * @param values one row of right-hand sides for each row of the matrix
 * @returns one row for each unknown
 * @throws CurveError `singular`
 */
export function solveDenseLeastSquares(
  matrix: readonly (readonly number[])[],
  values: readonly (readonly number[])[],
): number[][] {
  const size = matrix[0]?.length ?? 0;
  const components = values[0]?.length ?? 0;
  if (size === 0) return [];
  const system = createLeastSquares(size, size, components);
  matrix.forEach((row, index) =>
    addEquation(system, 0, Float64Array.from(row), Float64Array.from(values[index]!)),
  );
  const solution = solveLeastSquares(system);
  return Array.from({ length: size }, (_, row) => [
    ...solution.subarray(row * components, (row + 1) * components),
  ]);
}
