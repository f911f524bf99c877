import { told } from '../told/told.js';
import type { Curve, Point } from './curve.js';
import { fewest } from './equidistribute.js';
import { CurveError } from './error.js';
import { pointFitOf, stepsToNearest, type PointFit, type PointToleranceFit } from './fitPoints.js';
import { interpolateClosed, parametersOf, validatePoints, type Parametrisation } from './interpolate.js';
import { validateDegree } from './knotVector.js';
import { periodicKnotVector, wrapParameter, wrapped } from './periodic.js';
import { maximumSpanCount, validateTolerance } from './refit.js';
import { fitRows } from './splineSpace.js';
import { coordinatesOf, distance } from './vector.js';

/** How often parameters follow the nearest places of the curve. */
const mostRounds = 8;

/**
 * The periodic curve of a number of control points that comes closest to points which run round, by least squares (P&T
 * 9.4.1 in a periodic space). Its knots have about as many points between each two; parameters start by chord length and
 * follow the nearest places of the curve while that helps (Hoschek 1988).
 * @param points three or more different ones, each apart from the next, the last from the first; a last one that is the
 *   first again counts once
 * @param count number of different control points, from degree + 1 to the number of points
 * @returns a periodic curve on [0, 1] without weights
 * @throws CurveError `degree`, `argument` (count), `point-count`, `point`, `singular`
 */
export function fitClosedPoints(
  points: readonly Point[],
  degree: number,
  count: number,
  parametrisation: Parametrisation = 'chord',
): PointFit {
  validateDegree(degree);
  const used = pointsRound(points);
  if (!Number.isInteger(count) || count < degree + 1 || count > used.length) {
    throw new CurveError(
      'argument',
      told('closedFitPoints', { count, least: degree + 1, most: used.length }),
      { value: count },
    );
  }
  return fitRound(used, degree, count, startParameters(used, parametrisation));
}

/**
 * A periodic curve of a degree within a tolerance of points which run round, with as few control points as were found;
 * the curve through all of them where nothing less does.
 * @param points as for `fitClosedPoints`
 * @param tolerance largest distance, above 0, in the drawing's unit
 * @throws CurveError `degree`, `tolerance`, `point-count`, `point`
 */
export function fitClosedToTolerance(
  points: readonly Point[],
  degree: number,
  tolerance: number,
  parametrisation: Parametrisation = 'chord',
): PointToleranceFit {
  validateDegree(degree);
  validateTolerance(tolerance);
  const used = pointsRound(points);
  const start = startParameters(used, parametrisation);
  let nearest: PointFit | undefined;
  const attempt = (make: () => PointFit): PointFit | undefined => {
    try {
      const fit = make();
      if (!nearest || fit.deviation < nearest.deviation) nearest = fit;
      return fit.deviation <= tolerance ? fit : undefined;
    } catch (error) {
      if (error instanceof CurveError && error.kind === 'singular') return undefined;
      throw error;
    }
  };
  const most = Math.min(used.length, maximumSpanCount);
  const found =
    fewest(degree + 1, most + 1, (count) => attempt(() => fitRound(used, degree, count, start))) ??
    (used.length <= maximumSpanCount
      ? attempt(() => {
          const { curve, parameters } = interpolateClosed(used, degree, parametrisation);
          return pointFitOf(curve, used, parameters);
        })
      : undefined);
  if (found) return { ...found, reached: true, points: used };
  if (nearest) return { ...nearest, reached: false, points: used };
  throw new CurveError('singular', told('pointUndetermined', { index: 0 }), { index: 0 });
}

/** The points without those that coincide with the one before, and without a last one that is the first again. */
function pointsRound(points: readonly Point[]): Point[] {
  validatePoints(points);
  const used = points.filter((point, index) => index === 0 || distance(point, points[index - 1]!) > 0);
  while (used.length > 1 && distance(used[0]!, used.at(-1)!) === 0) used.pop();
  if (used.length >= 3) return used;
  throw new CurveError('point-count', told('closedFitTooFew', { count: used.length }), {
    value: used.length,
  });
}

const startParameters = (used: readonly Point[], parametrisation: Parametrisation): number[] =>
  parametersOf([...used, used[0]!], parametrisation).slice(0, -1);

function fitRound(
  points: readonly Point[],
  degree: number,
  count: number,
  start: readonly number[],
): PointFit {
  // A knot after every so many points, between the last of them and the next.
  const ends = [...start, 1];
  const breaks = Array.from({ length: count }, (_, k) => {
    const place = (k * points.length) / count;
    const whole = Math.floor(place);
    return ends[whole]! + (place - whole) * (ends[whole + 1]! - ends[whole]!);
  });
  const knots = periodicKnotVector(
    breaks.map((value) => ({ value, multiplicity: 1 })),
    1,
    degree,
  );
  const values = coordinatesOf(points);
  const fit = (parameters: readonly number[]): PointFit => {
    const rows = fitRows({ degree, knots, periodic: true }, parameters, values, points[0]!.length);
    return pointFitOf({ degree, knots, points: wrapped(rows, degree), periodic: true }, points, parameters);
  };
  let best = fit(start);
  for (let round = 0; round < mostRounds; round++) {
    let next: PointFit;
    try {
      next = fit(nearer(best.curve, points, best.parameters));
    } catch (error) {
      if (error instanceof CurveError && error.kind === 'singular') break;
      throw error;
    }
    if (!(next.deviation < 0.999 * best.deviation)) break;
    best = next;
  }
  return best;
}

/** One step of Newton's method for each point towards its nearest place, by less than half of the way to a neighbour. */
function nearer(curve: Curve, points: readonly Point[], parameters: readonly number[]): number[] {
  const steps = stepsToNearest(curve, points, parameters);
  return parameters.map((u, k) => {
    const before = k === 0 ? parameters.at(-1)! - 1 : parameters[k - 1]!;
    const after = k === parameters.length - 1 ? parameters[0]! + 1 : parameters[k + 1]!;
    const [low, high] = [u - 0.49 * (u - before), u + 0.49 * (after - u)];
    return wrapParameter(curve, Math.min(high, Math.max(low, u + steps[k]!)));
  });
}
