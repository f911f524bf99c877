import { createBandedMatrix, factoriseBanded, solveBanded } from './banded.js';
import { basisFunctions } from './basis.js';
import type { Point } from './curve.js';
import { spend } from './effort.js';
import { CurveError } from './error.js';
import { derivativesAt } from './evaluate.js';
import { fitRows } from './splineSpace.js';
import { distance } from './vector.js';

/** Values of a curve at ascending parameters, which a spline is to come close to. */
export interface CurveSamples {
  readonly parameters: Float64Array;
  /** `dimension` numbers for each parameter. */
  readonly values: Float64Array;
  readonly dimension: number;
  /** The first and the last value, which the spline takes too. */
  readonly ends: readonly [Point, Point];
}

/** A spline close to samples. */
interface Fitted extends Step {
  /** For each sample the span of the spline that holds it. */
  readonly spans: Int32Array;
  /** Its value less the sample's, `dimension` numbers each. */
  readonly residuals: Float64Array;
  readonly distances: Float64Array;
}

/** Knots on their way, with the largest distance of their least-squares fit from a sample. */
export interface Step {
  readonly knots: readonly number[];
  /** The control points. */
  readonly rows: readonly Point[];
  readonly largest: number;
  /** The mean of the eighth powers of the distances, its root taken: near the largest, but smooth. */
  readonly cost: number;
}

/** How far a knot goes at most in one step, as a share of the way to its neighbour. */
const farthestStep = 0.4;

/**
 * Moves simple interior knots of a clamped spline so that its least-squares fit comes closer to samples, the largest
 * distance counting most. Steps are those of Gauss and Newton for control points and knots together, with damping and
 * weights by the distances (Jupp 1978; Levenberg 1944): the derivative by a knot is a spline in which this knot stands
 * once more (P&T 1998, Computing the derivative of NURBS with respect to a knot), so that the system stays banded.
 * @param knots full knot vector, clamped
 * @param stays whether a knot of this value is to stay where it is
 * @param rounds how many steps are tried
 * @yields after each round the best knots so far, of the same multiplicities, with their largest distance from a sample
 */
export function* improveKnots(
  samples: CurveSamples,
  degree: number,
  knots: readonly number[],
  stays: (value: number) => boolean,
  rounds: number,
): Generator<Step> {
  const start = fitOf(samples, degree, knots);
  if (!start) return;
  let best: Fitted = start;
  let damping = 0.03;
  for (let round = 0; round < rounds && best.largest > 0; round++) {
    const step = stepOfKnots(samples, degree, best, stays, damping);
    const moved: readonly number[] | undefined = step && movedBy(best.knots, degree, step);
    const next = moved && fitOf(samples, degree, moved);
    if (next && next.cost < best.cost) {
      const gain = 1 - next.cost / best.cost;
      best = next;
      damping = Math.max(1e-4, damping / 3);
      yield best;
      if (gain < 1e-4) return;
    } else {
      if (damping > 100) return;
      damping *= 6;
      yield best;
    }
  }
}

/** So many of the knots that seem to be needed least are tried. */
const mostToTry = 4;

/**
 * Knots of which one is put from where it is needed least to where the fit is farthest off: by how far the derivative of
 * the degree jumps at a knot, and how long the spans around are.
 * @param attempt 0, and one more for each time that what came of it was no better
 * @returns nothing where no knot may go
 */
export function exchangedKnot(
  samples: CurveSamples,
  degree: number,
  knots: readonly number[],
  stays: (value: number) => boolean,
  attempt: number,
): readonly number[] | undefined {
  const fitted = fitOf(samples, degree, knots);
  if (!fitted) return undefined;
  const worst = fitted.distances.indexOf(fitted.largest);
  const span = fitted.spans[worst]!;
  const added = (knots[span]! + knots[span + 1]!) / 2;
  const highest = (start: number, end: number): Point =>
    derivativesAt({ degree, knots, points: fitted.rows }, (start + end) / 2, degree)[degree]!;
  const half = (degree + 1) >> 1;
  const need = new Map<number, number>();
  knots.forEach((value, j) => {
    if (j === span || j === span + 1 || !isMovable(knots, degree, j, stays)) return;
    const jump = distance(highest(knots[j - 1]!, value), highest(value, knots[j + 1]!));
    const width = knots[Math.min(knots.length - 1, j + half)]! - knots[Math.max(0, j - half)]!;
    need.set(j, jump * width ** degree);
  });
  const ranked = [...need.keys()].sort((a, b) => need.get(a)! - need.get(b)!);
  let best: Fitted | undefined;
  for (const j of ranked.slice(attempt * mostToTry, (attempt + 1) * mostToTry)) {
    const exchanged = [...knots.toSpliced(j, 1), added].sort((a, b) => a - b);
    const next = fitOf(samples, degree, exchanged);
    if (next && (!best || next.cost < best.cost)) best = next;
  }
  return best?.knots;
}

/** Whether a knot is a simple one inside that may go elsewhere. */
function isMovable(
  knots: readonly number[],
  degree: number,
  j: number,
  stays: (value: number) => boolean,
): boolean {
  const value = knots[j]!;
  const isInside = j > degree && j < knots.length - degree - 1;
  return isInside && value > knots[j - 1]! && value < knots[j + 1]! && !stays(value);
}

function fitOf(samples: CurveSamples, degree: number, knots: readonly number[]): Fitted | undefined {
  const { parameters, values, dimension, ends } = samples;
  let rows;
  try {
    rows = fitRows({ degree, knots }, parameters, values, dimension, ends);
  } catch (error) {
    if (error instanceof CurveError && error.kind === 'singular') return undefined;
    throw error;
  }
  const list = new Float64Array(knots);
  const count = parameters.length;
  const spans = new Int32Array(count);
  const residuals = new Float64Array(count * dimension);
  const distances = new Float64Array(count);
  const basis = new Float64Array(degree + 1);
  const last = rows.length - 1;
  let span = degree;
  let largest = 0;
  for (let k = 0; k < count; k++) {
    const u = parameters[k]!;
    while (span < last && u >= list[span + 1]!) span++;
    spans[k] = span;
    basisFunctions(list, degree, span, u, basis);
    let squared = 0;
    for (let axis = 0; axis < dimension; axis++) {
      let value = -values[k * dimension + axis]!;
      for (let j = 0; j <= degree; j++) value += basis[j]! * rows[span - degree + j]![axis]!;
      residuals[k * dimension + axis] = value;
      squared += value * value;
    }
    distances[k] = Math.sqrt(squared);
    if (distances[k]! > largest) largest = distances[k]!;
  }
  let sum = 0;
  for (let k = 0; k < count; k++) sum += (distances[k]! / (largest || 1)) ** 8;
  return { knots, rows, spans, residuals, distances, largest, cost: largest * (sum / count) ** (1 / 8) };
}

/**
 * How far each knot is to go.
 * @returns one number for each knot, 0 where it stays
 */
const samplesPerSpan = 8;

function stepOfKnots(
  { parameters, dimension }: CurveSamples,
  degree: number,
  { knots, rows, spans, residuals, distances, largest }: Fitted,
  stays: (value: number) => boolean,
  damping: number,
): Float64Array | undefined {
  const count = parameters.length;
  // A few samples for each span tell the way.
  const stride = Math.max(1, Math.floor(count / (samplesPerSpan * (rows.length - degree))));
  const list = new Float64Array(knots);
  const moves = knots.map((_, j) => isMovable(knots, degree, j, stays));
  // Unknowns in an order by which an equation reaches over few neighbours: each knot beside the points it acts on most.
  const slotOfRow = new Int32Array(rows.length).fill(-1);
  const slotOfKnot = new Int32Array(knots.length).fill(-1);
  let size = 0;
  for (let i = 0; i < rows.length; i++) {
    if (i > 0 && i < rows.length - 1) {
      slotOfRow[i] = size;
      size += dimension;
    }
    const j = i + ((degree + 1) >> 1);
    if (moves[j]) slotOfKnot[j] = size++;
  }
  const reach = 2 * degree;
  // For each sample the derivatives by the knots span − p + 1 … span + p.
  const byKnot = new Float64Array(count * reach * dimension);
  const strength = new Float64Array(knots.length);
  const basis = new Float64Array(degree + 1);
  const doubled = new Float64Array(knots.length + 1);
  doubled.set(list);
  // The legs of the control polygon, each by the length of its knots, backwards.
  const legs = new Float64Array(rows.length * dimension);
  for (let i = 1; i < rows.length; i++) {
    for (let axis = 0; axis < dimension; axis++) {
      const length = list[i + degree]! - list[i]!;
      legs[i * dimension + axis] = length > 0 ? (rows[i - 1]![axis]! - rows[i]![axis]!) / length : 0;
    }
  }
  const weights = distances.map((value) => (0.1 + value / largest) ** 3);
  let firstSample = 0;
  for (let j = degree + 1; j < knots.length - degree - 1; j++) {
    if (!moves[j]) continue;
    // The same knots with the j-th once more.
    doubled.set(list.subarray(0, j + 1));
    doubled.set(list.subarray(j), j + 1);
    while (firstSample < count && spans[firstSample]! < j - degree) firstSample += stride;
    for (let k = firstSample; k < count && spans[k]! < j + degree; k += stride) {
      const span = spans[k]!;
      const inDoubled = j <= span ? span + 1 : span;
      basisFunctions(doubled, degree, inDoubled, parameters[k]!, basis);
      const at = (k * reach + j - span + degree - 1) * dimension;
      const last = Math.min(j, inDoubled);
      for (let axis = 0; axis < dimension; axis++) {
        let sum = 0;
        for (let i = Math.max(j, inDoubled) - degree; i <= last; i++) {
          sum += basis[i - inDoubled + degree]! * legs[i * dimension + axis]!;
        }
        byKnot[at + axis] = sum;
        strength[j]! += (weights[k]! * sum) ** 2;
      }
    }
  }
  let width = 1;
  for (let span = degree; span < rows.length; span++) {
    let [low, high] = [Infinity, -1];
    for (let i = span - degree; i <= span; i++) {
      if (slotOfRow[i]! < 0) continue;
      low = Math.min(low, slotOfRow[i]!);
      high = Math.max(high, slotOfRow[i]! + dimension - 1);
    }
    for (let j = span - degree + 1; j <= span + degree; j++) {
      if (!(slotOfKnot[j]! >= 0)) continue;
      low = Math.min(low, slotOfKnot[j]!);
      high = Math.max(high, slotOfKnot[j]!);
    }
    width = Math.max(width, high - low + 1);
  }
  // The normal equations are exact enough for a step, and several times as quick as turning every equation.
  const matrix = createBandedMatrix(size, width - 1, width - 1);
  const { entries } = matrix;
  const rowLength = 2 * width - 1;
  const rightHandSide = new Float64Array(size);
  for (let j = 0; j < knots.length; j++) {
    const slot = slotOfKnot[j]!;
    if (slot >= 0) entries[slot * rowLength + width - 1] = damping ** 2 * strength[j]! + Number.MIN_VALUE;
  }
  const slots = new Int32Array(degree + 1 + reach);
  const factors = new Float64Array(slots.length);
  spend((count * dimension * slots.length ** 2) / 50);
  for (let k = 0; k < count; k += stride) {
    const span = spans[k]!;
    basisFunctions(list, degree, span, parameters[k]!, basis);
    const weight = weights[k]!;
    for (let axis = 0; axis < dimension; axis++) {
      let used = 0;
      for (let i = 0; i <= degree; i++) {
        const slot = slotOfRow[span - degree + i]!;
        if (slot < 0) continue;
        slots[used] = slot + axis;
        factors[used++] = weight * basis[i]!;
      }
      for (let m = 0; m < reach; m++) {
        const slot = slotOfKnot[span - degree + 1 + m]!;
        if (!(slot >= 0)) continue;
        slots[used] = slot;
        factors[used++] = weight * byKnot[(k * reach + m) * dimension + axis]!;
      }
      const wanted = -weight * residuals[k * dimension + axis]!;
      for (let a = 0; a < used; a++) {
        const factor = factors[a]!;
        const at = slots[a]! * rowLength + width - 1 - slots[a]!;
        rightHandSide[slots[a]!]! += factor * wanted;
        for (let b = a; b < used; b++) entries[at + slots[b]!]! += factor * factors[b]!;
      }
    }
  }
  // Each product was added once, above or below the diagonal.
  for (let row = 0; row < size; row++) {
    const end = Math.min(size, row + width);
    for (let column = row + 1; column < end; column++) {
      const above = row * rowLength + column - row + width - 1;
      const below = column * rowLength + row - column + width - 1;
      const sum = entries[above]! + entries[below]!;
      entries[above] = sum;
      entries[below] = sum;
    }
  }
  try {
    const solution = solveBanded(factoriseBanded(matrix), rightHandSide);
    return Float64Array.from(slotOfKnot, (slot) => (slot >= 0 ? solution[slot]! : 0));
  } catch (error) {
    if (error instanceof CurveError) return undefined;
    throw error;
  }
}

/** Knots that have gone their way, none of them more than a part of the way to the next. */
function movedBy(knots: readonly number[], degree: number, step: Float64Array): number[] {
  return knots.map((value, j) => {
    if (j <= degree || j >= knots.length - degree - 1) return value;
    const [back, ahead] = [value - knots[j - 1]!, knots[j + 1]! - value];
    return value + Math.min(farthestStep * ahead, Math.max(-farthestStep * back, step[j]!));
  });
}
