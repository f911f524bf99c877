import { solveBanded } from './banded.js';
import { factoriseCollocation } from './collocation.js';
import type { Curve, Point } from './curve.js';
import { CurveError } from './error.js';
import { validateDegree } from './knotVector.js';

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
  const gaps = points.slice(1).map((point, index) => {
    const gap = Math.hypot(...point.map((coordinate, axis) => coordinate - points[index]![axis]!));
    if (!(gap > 0)) {
      throw new CurveError(
        'point',
        `Point ${index + 1} lies on point ${index}; neighbouring points must be apart.`,
        {
          index: index + 1,
          value: point,
        },
      );
    }
    return parametrisation === 'uniform' ? 1 : parametrisation === 'chord' ? gap : Math.sqrt(gap);
  });
  const total = gaps.reduce((sum, gap) => sum + gap, 0);
  const parameters = [0];
  let sum = 0;
  for (const gap of gaps) {
    sum += gap;
    parameters.push(sum / total);
  }
  parameters[parameters.length - 1] = 1;
  parameters.forEach((parameter, index) => {
    if (index > 0 && !(parameter > parameters[index - 1]!)) {
      throw new CurveError('point', `Point ${index} is too close to point ${index - 1} to be told apart.`, {
        index,
      });
    }
  });
  return parameters;
}

/**
 * The clamped knot vector that fits given parameters: each interior knot is the mean of p of them in a
 * row (P&T 9.8; de Boor), by which the collocation system is solvable and well conditioned.
 * @param parameters strictly increasing, at least degree + 1
 */
export function averagedKnots(parameters: readonly number[], degree: number): number[] {
  const [start, end] = [parameters[0]!, parameters.at(-1)!];
  const knots = Array<number>(degree + 1).fill(start);
  for (let index = 1; index < parameters.length - degree; index++) {
    let sum = 0;
    for (let k = index; k < index + degree; k++) sum += parameters[k]!;
    knots.push(sum / degree);
  }
  return [...knots, ...Array<number>(degree + 1).fill(end)];
}

/** A curve through points, with the parameter at which it passes each of them. */
export interface Interpolation {
  readonly curve: Curve;
  readonly parameters: readonly number[];
}

/**
 * The curve of a degree that passes through points, by global interpolation: parameters, averaged knots,
 * and the banded collocation system (P&T A9.1; dB XIII). With fewer points than degree + 1 the degree is
 * lowered to what they determine, so that two points suffice at any degree.
 * @param points two or more, all of 2 or all of 3 coordinates, neighbours apart
 * @param degree 1 to 9
 * @returns as many control points as points, on the domain [0, 1]
 * @throws CurveError `degree`, `point-count`, `point`
 */
export function interpolate(
  points: readonly Point[],
  degree: number,
  parametrisation: Parametrisation = 'chord',
): Interpolation {
  validateDegree(degree);
  const parameters = parametersOf(points, parametrisation);
  const actual = Math.min(degree, points.length - 1);
  const knots = averagedKnots(parameters, actual);
  const factors = factoriseCollocation(
    knots,
    actual,
    parameters.map((parameter) => ({ parameter, side: 'right' })),
  );
  const columns = points[0]!.map((_, axis) =>
    solveBanded(
      factors,
      points.map((point) => point[axis]!),
    ),
  );
  const controlPoints = points.map((point, index) =>
    // The ends are points of the curve themselves and are kept to the last digit.
    index === 0 || index === points.length - 1 ? point : columns.map((column) => column[index]!),
  );
  return { curve: { degree: actual, knots, points: controlPoints }, parameters };
}

function validatePoints(points: readonly Point[]): void {
  if (points.length < 2) {
    throw new CurveError(
      'point-count',
      `A curve through points needs at least 2 points; there are ${points.length}.`,
      {
        value: points.length,
      },
    );
  }
  const dimension = points[0]!.length;
  points.forEach((point, index) => {
    if (point.length !== dimension || dimension < 2 || dimension > 3) {
      throw new CurveError(
        'point',
        `Point ${index} has ${point.length} coordinates; all points must have 2, or all 3.`,
        {
          index,
          value: point,
        },
      );
    }
    if (!point.every((coordinate) => Number.isFinite(coordinate))) {
      throw new CurveError('point', `Point ${index} has a coordinate that is not a finite number.`, {
        index,
        value: point,
      });
    }
  });
}
