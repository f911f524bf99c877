import { told } from '../told/told.js';
import type { Curve, Point } from './curve.js';
import { parametersOf } from './interpolate.js';
import { clampedKnotVector } from './knotVector.js';
import { CurveError } from './error.js';

/**
 * Slopes of a piecewise cubic through values that rises and falls only where the values do (Fritsch &
 * Carlson 1980): zero at local extremes, harmonic means elsewhere, limited so that no piece overshoots.
 * @param parameters strictly increasing
 * @param values one for each parameter
 */
function monotoneSlopes(parameters: readonly number[], values: readonly number[]): number[] {
  const count = values.length;
  const widths = parameters.slice(1).map((u, k) => u - parameters[k]!);
  const secants = values.slice(1).map((value, k) => (value - values[k]!) / widths[k]!);
  const slopes = values.map((_, k) => {
    const [before, after] = [secants[k - 1], secants[k]];
    if (before === undefined) return after ?? 0;
    if (after === undefined) return before;
    return before * after <= 0 ? 0 : (before + after) / 2;
  });
  for (let k = 0; k < count - 1; k++) {
    const secant = secants[k]!;
    if (secant === 0) {
      slopes[k] = 0;
      slopes[k + 1] = 0;
      continue;
    }
    const a = slopes[k]! / secant;
    const b = slopes[k + 1]! / secant;
    const size = Math.hypot(a, b);
    if (size > 3) {
      slopes[k] = (3 / size) * a * secant;
      slopes[k + 1] = (3 / size) * b * secant;
    }
  }
  return slopes;
}

/**
 * The cubic curve through points that never overshoots them: each coordinate rises and falls by the
 * chord-length parameter only where the points do (Fritsch & Carlson 1980). It is C1, with double knots
 * at the points.
 * @param points two or more, neighbours apart
 * @throws CurveError `point-count`, `point`
 */
export function monotoneCubic(points: readonly Point[]): Curve {
  const parameters = parametersOf(points, 'chord');
  const slopes = points[0]!.map((_, axis) =>
    monotoneSlopes(
      parameters,
      points.map((point) => point[axis]!),
    ),
  );
  const controlPoints: Point[] = [points[0]!];
  for (let k = 0; k + 1 < points.length; k++) {
    const third = (parameters[k + 1]! - parameters[k]!) / 3;
    controlPoints.push(
      points[k]!.map((value, axis) => value + third * slopes[axis]![k]!),
      points[k + 1]!.map((value, axis) => value - third * slopes[axis]![k + 1]!),
    );
  }
  controlPoints.push(points.at(-1)!);
  if (!controlPoints.every((point) => point.every(Number.isFinite))) {
    throw new CurveError('point', told('pointsTooClose'));
  }
  return {
    degree: 3,
    knots: clampedKnotVector(
      0,
      1,
      parameters.slice(1, -1).map((value) => ({ value, multiplicity: 2 })),
      3,
    ),
    points: controlPoints,
  };
}
