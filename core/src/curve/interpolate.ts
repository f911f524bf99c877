import { told } from '../told/told.js';
import { createBandedMatrix, factoriseBandedWithExchange, solveBanded } from './banded.js';
import { basisDerivatives } from './basis.js';
import { factoriseCollocation, factorisePeriodicCollocation } from './collocation.js';
import type { Curve, Point } from './curve.js';
import { CurveError } from './error.js';
import { distance } from './vector.js';
import { findSpan, validateDegree } from './knotVector.js';
import { periodicKnotVector, wrapIndex, wrapped } from './periodic.js';

/** How parameters are given to points that a curve is to pass through (P&T 9.2.1). */
export type Parametrisation = 'uniform' | 'chord' | 'centripetal';

/**
 * Parameters on [0, 1] for points to pass through: evenly spaced, by the length of each chord (P&T 9.5),
 * or by its square root (P&T 9.6; Lee 1989).
 * @param points two or more, neighbours apart
 * @returns one parameter for each point, strictly increasing from 0 to 1
 * @throws CurveError `point-count`, `point` where a point is not finite, of another dimension, or at the
 * place of the one before it
 */
export function parametersOf(points: readonly Point[], parametrisation: Parametrisation): number[] {
  validatePoints(points);
  const gaps = new Float64Array(points.length - 1);
  for (let index = 0; index < gaps.length; index++) {
    const gap = distance(points[index + 1]!, points[index]!);
    if (!(gap > 0)) {
      throw new CurveError('point', told('neighboursOnOnePlace', { index: index + 1, before: index }), {
        index: index + 1,
        value: points[index + 1],
      });
    }
    gaps[index] = parametrisation === 'uniform' ? 1 : parametrisation === 'chord' ? gap : Math.sqrt(gap);
  }
  let total = 0;
  for (let index = 0; index < gaps.length; index++) total += gaps[index]!;
  const parameters = [0];
  let sum = 0;
  for (let index = 1; index <= gaps.length; index++) {
    sum += gaps[index - 1]!;
    const parameter = index === gaps.length ? 1 : sum / total;
    if (!(parameter > parameters[index - 1]!)) {
      throw new CurveError('point', told('neighboursTooClose', { index, before: index - 1 }), {
        index,
      });
    }
    parameters.push(parameter);
  }
  return parameters;
}

/**
 * The clamped knot vector that fits given parameters: each interior knot is the mean of p of them in a
 * row (P&T 9.8; de Boor), by which the collocation system is solvable and well conditioned.
 * @param parameters strictly increasing, at least degree + 1
 */
export function averagedKnots(parameters: readonly number[], degree: number): number[] {
  const [start, end] = [parameters[0]!, parameters.at(-1)!];
  const knots: number[] = [];
  for (let k = 0; k <= degree; k++) knots.push(start);
  const list = new Float64Array(parameters);
  for (let index = 1; index < list.length - degree; index++) {
    let sum = 0;
    for (let k = index; k < index + degree; k++) sum += list[k]!;
    knots.push(sum / degree);
  }
  for (let k = 0; k <= degree; k++) knots.push(end);
  return knots;
}

/** A curve through points, with the parameter at which it passes each of them. */
export interface Interpolation {
  readonly curve: Curve;
  readonly parameters: readonly number[];
}

/** How a curve through points behaves at an end: free, with a given first derivative, or with no curvature. */
type EndCondition =
  | { readonly kind: 'free' }
  /** C′ at the end, by the parameter from 0 to 1. */
  | { readonly kind: 'derivative'; readonly derivative: Point }
  /** C″ = 0 at the end, as a bent strip of wood does beyond its last support. */
  | { readonly kind: 'natural' };

const free: EndCondition = { kind: 'free' };

/** Further wishes for a curve through points. */
export interface InterpolationOptions {
  /** Chord-length where not given. */
  readonly parametrisation?: Parametrisation;
  readonly start?: EndCondition;
  readonly end?: EndCondition;
  /** Parameters of the points from 0 to 1, strictly increasing, instead of calculated ones. */
  readonly parameters?: readonly number[];
}

/**
 * The curve of a degree that passes through points, by global interpolation: parameters, knots by
 * averaging, and the banded collocation system (P&T A9.1, 9.2.2; dB XIII). With fewer points and end
 * conditions than degree + 1 the degree is lowered to what they determine, so that two points suffice at
 * any degree. A cubic with natural ends has its knots at the points: the classical natural spline.
 * @param points two or more, all of 2 or all of 3 coordinates, neighbours apart
 * @param degree 1 to 9; an end derivative needs 2 at least once lowered, a natural end too
 * @param options the parametrisation by its name, or with end conditions
 * @returns on the domain [0, 1], a control point for each point and each end condition
 * @throws CurveError `degree`, `point-count`, `point`, `parameter`, `singular`
 */
export function interpolate(
  points: readonly Point[],
  degree: number,
  options: Parametrisation | InterpolationOptions = {},
): Interpolation {
  validateDegree(degree);
  const wishes = typeof options === 'string' ? { parametrisation: options } : options;
  if (wishes.parameters) validatePoints(points);
  const parameters = wishes.parameters
    ? validParameters(wishes.parameters, points.length)
    : parametersOf(points, wishes.parametrisation ?? 'chord');
  const { start = free, end = free } = wishes;
  const conditions = [start, end].filter(({ kind }) => kind !== 'free').length;
  const actual = Math.min(degree, points.length + conditions - 1);
  if (conditions === 0) return { curve: throughPoints(points, parameters, actual), parameters };
  if (actual < 2) {
    throw new CurveError('degree', told('endConditionDegree', { degree: actual }), {
      value: actual,
    });
  }
  return { curve: throughPointsWithEnds(points, parameters, actual, start, end), parameters };
}

function throughPoints(points: readonly Point[], parameters: readonly number[], degree: number): Curve {
  const knots = averagedKnots(parameters, degree);
  const solve = factoriseCollocation(knots, degree, parameters);
  const columns = points[0]!.map((_, axis) => {
    const values = new Float64Array(points.length);
    for (let index = 0; index < values.length; index++) values[index] = points[index]![axis]!;
    return solve(values);
  });
  const [first, second, third] = columns as [Float64Array, Float64Array, Float64Array | undefined];
  const controlPoints: Point[] = [];
  for (let index = 0; index < points.length; index++) {
    // The ends are points of the curve themselves and are kept to the last digit.
    if (index === 0 || index === points.length - 1) controlPoints.push(points[index]!);
    else if (third) controlPoints.push([first[index]!, second[index]!, third[index]!]);
    else controlPoints.push([first[index]!, second[index]!]);
  }
  return { degree, knots, points: controlPoints };
}

function throughPointsWithEnds(
  points: readonly Point[],
  parameters: readonly number[],
  degree: number,
  start: EndCondition,
  end: EndCondition,
): Curve {
  const dimension = points[0]!.length;
  // One row for each point, and after the first and before the last a row for each end condition.
  const rows: { parameter: number; order: number; value: Point }[] = points.map((value, index) => ({
    parameter: parameters[index]!,
    order: 0,
    value,
  }));
  const conditionRow = (condition: EndCondition, parameter: number): typeof rows => {
    if (condition.kind === 'free') return [];
    if (condition.kind === 'natural') return [{ parameter, order: 2, value: points[0]!.map(() => 0) }];
    const { derivative } = condition;
    if (derivative.length !== dimension || !derivative.every((value) => Number.isFinite(value))) {
      throw new CurveError('point', told('endDerivativeCoordinates', { dimension }), {
        value: derivative,
      });
    }
    return [{ parameter, order: 1, value: derivative }];
  };
  rows.splice(rows.length - 1, 0, ...conditionRow(end, 1));
  rows.splice(1, 0, ...conditionRow(start, 0));
  const size = rows.length;
  const knots = knotsWithEnds(parameters, degree, start.kind !== 'free', end.kind !== 'free');
  const matrix = createBandedMatrix(size, degree, degree);
  rows.forEach(({ parameter, order }, row) => {
    const span = findSpan(knots, degree, parameter);
    const basis = basisDerivatives(knots, degree, span, parameter, order);
    // Rows of derivatives are brought to the size of the others, so that pivots can be compared.
    let largest = 0;
    for (let j = 0; j <= degree; j++) {
      largest = Math.max(largest, Math.abs(basis[order * (degree + 1) + j]!));
    }
    const scale = order === 0 ? 1 : 1 / largest;
    for (let j = 0; j <= degree; j++) {
      const offset = span - degree + j - row;
      const value = basis[order * (degree + 1) + j]!;
      if (Math.abs(offset) <= degree) {
        matrix.entries[row * (2 * degree + 1) + offset + degree] = value * scale;
      }
    }
    rows[row] = { parameter, order, value: rows[row]!.value.map((coordinate) => coordinate * scale) };
  });
  const factors = factoriseBandedWithExchange(matrix);
  const columns = points[0]!.map((_, axis) =>
    solveBanded(
      factors,
      rows.map(({ value }) => value[axis]!),
    ),
  );
  const controlPoints = rows.map((_, index) =>
    index === 0 ? points[0]! : index === size - 1 ? points.at(-1)! : columns.map((column) => column[index]!),
  );
  return { degree, knots, points: controlPoints };
}

/**
 * Clamped knots for points with end conditions: means of as many parameters in a row as leave the right
 * number of knots, with an end's parameter standing once more for its condition (P&T 9.2.2). A cubic with
 * a condition at both ends has its knots at the points.
 */
function knotsWithEnds(
  parameters: readonly number[],
  degree: number,
  atStart: boolean,
  atEnd: boolean,
): number[] {
  const list = [...(atStart ? [0] : []), ...parameters, ...(atEnd ? [1] : [])];
  const knots = Array<number>(degree + 1).fill(0);
  for (let index = 1; index < list.length - degree; index++) {
    let sum = 0;
    let count = 0;
    for (let k = index; k < index + degree; k++) {
      // Of the p in a row, the outermost two have no weight for a cubic with conditions at both ends.
      if (atStart && atEnd && degree > 2 && (k === index || k === index + degree - 1)) continue;
      sum += list[k]!;
      count++;
    }
    knots.push(sum / count);
  }
  return [...knots, ...Array<number>(degree + 1).fill(1)];
}

/**
 * The closed periodic curve that passes through points and runs from the last on to the first, smooth
 * there as everywhere (dB XIII with a cyclic band). At odd degrees its knots lie at the points, at even
 * ones midway between them, which makes the system solvable.
 * @param points two or more (three enclose something), each apart from the next, the last from the first
 * @param degree 1 to 9
 * @returns a periodic curve on [0, 1] with as many different control points as points; the first point
 * lies at the parameter 0, at an even degree half the last gap after it
 * @throws CurveError `degree`, `point-count`, `point`; `singular` where no such curve exists
 */
export function interpolateClosed(
  points: readonly Point[],
  degree: number,
  parametrisation: Parametrisation = 'chord',
): Interpolation {
  validateDegree(degree);
  const around = parametersOf([...points, ...points.slice(0, 1)], parametrisation);
  const count = points.length;
  const even = degree % 2 === 0;
  const offset = even ? (1 - around[count - 1]!) / 2 : 0;
  const parameters = around.slice(0, -1).map((parameter) => parameter + offset);
  const breaks = even
    ? parameters.map((parameter, j) => (j === 0 ? 0 : (parameters[j - 1]! + parameter) / 2))
    : parameters;
  const shape: Curve = {
    degree,
    knots: periodicKnotVector(
      breaks.map((value) => ({ value, multiplicity: 1 })),
      1,
      degree,
    ),
    points: wrapped(points, degree),
    periodic: true,
  };
  // Row i is the point near which control point i has most influence, so that the band is narrow.
  const pointOf = (row: number): number => wrapIndex(row - Math.floor(degree / 2), count);
  const solve = factorisePeriodicCollocation(
    shape,
    points.map((_, row) => ({ parameter: parameters[pointOf(row)]!, side: 'right' })),
  );
  const columns = points[0]!.map((_, axis) => solve(points.map((_, row) => points[pointOf(row)]![axis]!)));
  const controlPoints = points.map((_, j) => columns.map((column) => column[j]!));
  return { curve: { ...shape, points: wrapped(controlPoints, degree) }, parameters };
}

function validParameters(parameters: readonly number[], count: number): readonly number[] {
  parameters.forEach((parameter, index) => {
    if (!(Number.isFinite(parameter) && (index === 0 || parameter > parameters[index - 1]!))) {
      throw new CurveError('parameter', told('parameterOrder', { index, parameter }), {
        index,
        value: parameter,
      });
    }
  });
  if (parameters.length !== count || parameters[0] !== 0 || parameters.at(-1) !== 1) {
    throw new CurveError(
      'parameter',
      told('parametersFromZeroToOne', {
        count,
        found: parameters.length,
        first: parameters[0] ?? '–',
        last: parameters.at(-1) ?? '–',
      }),
      { value: parameters },
    );
  }
  return parameters;
}

/** Checks that there are two points or more, finite and of one dimension. */
export function validatePoints(points: readonly Point[]): void {
  if (points.length < 2) {
    throw new CurveError('point-count', told('pointsForInterpolation', { count: points.length }), {
      value: points.length,
    });
  }
  const dimension = points[0]!.length;
  points.forEach((point, index) => {
    if (point.length !== dimension || dimension < 2 || dimension > 3) {
      throw new CurveError('point', told('pointDimension', { index, count: point.length }), {
        index,
        value: point,
      });
    }
    let finite = true;
    for (let axis = 0; axis < dimension; axis++) if (!Number.isFinite(point[axis])) finite = false;
    if (!finite) {
      throw new CurveError('point', told('pointNotFinite', { index }), {
        index,
        value: point,
      });
    }
  });
}
