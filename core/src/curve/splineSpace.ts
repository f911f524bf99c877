import { basisFunctions } from './basis.js';
import { foldedOrder } from './cyclic.js';
import { spend } from './effort.js';
import { findSpan, grevilleAbscissae, spansOf } from './knotVector.js';
import { addEquation, createLeastSquares, solveLeastSquares } from './leastSquares.js';
import { wrapIndex } from './periodic.js';

/** The degree and knots among whose curves a best one is looked for. */
export interface SplineSpace {
  readonly degree: number;
  readonly knots: readonly number[];
  readonly periodic?: true;
}

/**
 * The control rows of the spline that comes closest to given values at given parameters, in the sense of
 * least squares (P&T 9.4.1; Cox 1981).
 * @param parameters in the domain, at least as many as unknowns and spread so that each acts somewhere
 * @param values `components` numbers for each parameter
 * @param ends first and last control row where they are held; only with clamped ends
 * @param sides from which side a parameter at a knot is taken, right where not given
 * @returns one row for each control point, each different one for a periodic space
 * @throws CurveError `singular`, `parameter`
 */
export function fitRows(
  { degree, knots, periodic }: SplineSpace,
  parameters: ArrayLike<number>,
  values: ArrayLike<number>,
  components: number,
  ends?: readonly [readonly number[], readonly number[]],
): number[][] {
  spend((parameters.length * (degree + 2) ** 2) / 20);
  if (periodic) return fitPeriodicRows({ degree, knots }, parameters, values, components);
  const count = knots.length - degree - 1;
  const offset = ends ? 1 : 0;
  const size = count - 2 * offset;
  const width = Math.max(1, Math.min(size, degree + 1));
  const basis = new Float64Array(degree + 1);
  const row = new Float64Array(width);
  const value = new Float64Array(components);
  const system = createLeastSquares(Math.max(0, size), width, components);
  const list = new Float64Array(knots);
  let span = -1;
  for (let k = 0; size > 0 && k < parameters.length; k++) {
    const u = parameters[k]!;
    // Parameters mostly ascend, so that many in a row lie in one span.
    if (!(span >= 0 && u >= list[span]! && u < list[span + 1]!)) span = findSpan(knots, degree, u);
    basisFunctions(list, degree, span, u, basis);
    row.fill(0);
    for (let c = 0; c < components; c++) value[c] = values[k * components + c]!;
    const first = Math.max(0, Math.min(size - width, span - degree - offset));
    for (let j = 0; j <= degree; j++) {
      const factor = basis[j]!;
      const index = span - degree + j - offset;
      if (ends && (index < 0 || index >= size)) {
        const held = ends[index < 0 ? 0 : 1];
        for (let c = 0; c < components; c++) value[c]! -= factor * held[c]!;
      } else {
        row[index - first]! += factor;
      }
    }
    addEquation(system, first, row, value);
  }
  const solution = size > 0 ? solveLeastSquares(system) : new Float64Array(0);
  const rows = Array.from({ length: Math.max(0, size) }, (_, index) => [
    ...solution.subarray(index * components, (index + 1) * components),
  ]);
  return ends ? [[...ends[0]], ...rows, [...ends[1]]] : rows;
}

/**
 * The same in a periodic space. In the folded order (`cyclic.ts`) an equation reaches over twice as many unknowns, but
 * not round the seam; taken by the first of them, equations meet a triangle that is empty beyond their reach.
 */
function fitPeriodicRows(
  { degree, knots }: SplineSpace,
  parameters: ArrayLike<number>,
  values: ArrayLike<number>,
  components: number,
): number[][] {
  const size = knots.length - 2 * degree - 1;
  const { place } = foldedOrder(size);
  const width = Math.min(size, 2 * degree + 1);
  const equations = Array.from({ length: parameters.length }, (_, k) => {
    const span = findSpan(knots, degree, parameters[k]!);
    const columns = Array.from({ length: degree + 1 }, (_, j) => place[wrapIndex(span - degree + j, size)]!);
    return { k, span, columns, first: Math.min(size - width, ...columns) };
  }).sort((a, b) => a.first - b.first || a.k - b.k);
  const basis = new Float64Array(degree + 1);
  const row = new Float64Array(width);
  const value = new Float64Array(components);
  const system = createLeastSquares(size, width, components);
  for (const { k, span, columns, first } of equations) {
    basisFunctions(knots, degree, span, parameters[k]!, basis);
    row.fill(0);
    columns.forEach((column, j) => (row[column - first]! += basis[j]!));
    for (let c = 0; c < components; c++) value[c] = values[k * components + c]!;
    addEquation(system, first, row, value);
  }
  const solution = solveLeastSquares(system);
  return Array.from(place, (at) => [...solution.subarray(at * components, (at + 1) * components)]);
}

/**
 * Parameters at which a spline of this space is well determined and its distance from another curve well
 * seen: several in each span, denser towards its ends (Chebyshev's), and the Greville abscissae.
 * @param perSpan how many in each span
 */
export function samplingParameters({ degree, knots }: SplineSpace, perSpan: number): number[] {
  const spans = spansOf(knots, degree);
  const [start, end] = [spans[0]!.start, spans.at(-1)!.end];
  const sites = spans.flatMap((span) =>
    Array.from({ length: perSpan }, (_, k) => {
      const t = (1 - Math.cos((Math.PI * (k + 0.5)) / perSpan)) / 2;
      return span.start + t * (span.end - span.start);
    }),
  );
  const inside = grevilleAbscissae(knots, degree).filter((u) => u >= start && u <= end);
  return [...sites, ...inside].sort((a, b) => a - b);
}
