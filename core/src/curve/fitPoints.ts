import { told } from '../told/told.js';
import type { Curve, Point } from './curve.js';
import { equidistributedBreaks, fewest } from './equidistribute.js';
import { CurveError } from './error.js';
import { derivativesAtMany, pointsAt } from './evaluateMany.js';
import { interpolate, parametersOf, validatePoints, type Parametrisation } from './interpolate.js';
import { clampedKnotVector, interiorKnots, validateDegree, validateKnots } from './knotVector.js';
import { maximumSpanCount, pruneBreaks, validateTolerance } from './refit.js';
import { fitRows } from './splineSpace.js';
import { coordinatesOf, distance } from './vector.js';

/** A curve near given points. */
export interface PointFit {
  readonly curve: Curve;
  /** The parameter at which the curve comes nearest to each point that was used. */
  readonly parameters: readonly number[];
  /** Largest distance of a point from the curve's point at its parameter. */
  readonly deviation: number;
  /** The point that lies farthest off. */
  readonly worst: number;
}

/** Up to this many knots, each is tried for removal. */
const mostToPrune = 16;

/**
 * Least squares takes at most this share of the points as control points. With more of them hardly anything
 * holds the curve between two points, and it swings out; then it passes through all of them instead.
 */
const largestShare = 0.6;

/** A fit to a tolerance. */
export interface PointToleranceFit extends PointFit {
  readonly reached: boolean;
  /** The points that were used: coinciding neighbours count once. */
  readonly points: readonly Point[];
}

/**
 * The least-squares curve of given knots and parameters near points, with both ends held (P&T 9.4.1).
 * @param parameters one for each point, not decreasing, in the domain
 * @param knots full clamped knot vector
 * @throws CurveError `knot-count` and others for the knots, `parameter`, `singular` where a control point
 * has no point to act on
 */
export function fitPoints(
  points: readonly Point[],
  parameters: readonly number[],
  knots: readonly number[],
  degree: number,
): PointFit {
  validatePoints(points);
  validateKnots(knots, degree, knots.length - degree - 1);
  if (parameters.length !== points.length) {
    throw new CurveError(
      'parameter',
      told('parametersForPoints', { parameters: parameters.length, points: points.length }),
      { value: parameters.length },
    );
  }
  const dimension = points[0]!.length;
  const rows = fitRows({ degree, knots }, parameters, coordinatesOf(points), dimension, [
    points[0]!,
    points.at(-1)!,
  ]);
  return pointFitOf({ degree, knots, points: rows }, points, parameters);
}

/**
 * A curve of a degree within a tolerance of many points, with as few spans as were found. Parameters
 * start by chord length and follow the nearest places of the curve while it is made (P&T 9.4.3; Hoschek
 * 1988); spans are split where points lie too far off, and knots that are not needed go again. Where the points are too
 * few for that, the curve passes through all of them.
 * @param points two or more; coinciding neighbours count once
 * @param tolerance largest distance, above 0, in the drawing's unit
 * @throws CurveError `degree`, `tolerance`, `point-count`, `point`
 */
export function fitPointsToTolerance(
  points: readonly Point[],
  degree: number,
  tolerance: number,
  parametrisation: Parametrisation = 'chord',
): PointToleranceFit {
  validateDegree(degree);
  validateTolerance(tolerance);
  validatePoints(points);
  const used = pointsApart(points);
  const start = parametersOf(used, parametrisation);
  const actual = Math.min(degree, used.length - 1);
  const mostSpans = Math.min(maximumSpanCount, Math.max(1, Math.floor(largestShare * used.length) - actual));
  const attempt = (breaks: readonly number[], from: readonly number[]): PointFit =>
    correctedFit(used, from, breaks, actual, tolerance);
  let breaks: number[] = [];
  let best = attempt(breaks, start);
  while (best.deviation > tolerance && breaks.length < mostSpans - 1) {
    const next = splitWhereOff(used, best, breaks, tolerance, actual);
    if (next.length === breaks.length || next.length >= mostSpans) break;
    breaks = next;
    best = attempt(breaks, best.parameters);
  }
  if (best.deviation > tolerance) {
    // Too few points for least squares in every span; a curve through all of them exists.
    const through = throughAll(used, actual, parametrisation);
    if (through && through.deviation < best.deviation) {
      best = through;
      breaks = interiorKnots(through.curve.knots, actual).map(({ value }) => value);
    }
  }
  const reached = best.deviation <= tolerance;
  if (reached) {
    const within = (breaks: readonly number[], from: readonly number[]): PointFit | undefined => {
      const candidate = attempt(breaks, from);
      return candidate.deviation <= tolerance ? candidate : undefined;
    };
    // Fewer knots, where the curve that was found says that they should be.
    const fine = best;
    const placed = fewest(1, Math.min(breaks.length + 1, mostSpans), (spanCount) => {
      const where = equidistributedBreaks(fine.curve, spanCount);
      const fit = within(where, fine.parameters);
      return fit && { fit, where };
    });
    if (placed) {
      best = placed.fit;
      breaks = placed.where;
    }
    // Trying whether a knot is needed costs a fit each time; a long curve is left as it is.
    if (breaks.length <= mostToPrune) {
      const from = best.parameters;
      const pruned = pruneBreaks(breaks, 0, (fewer) => within(fewer, from));
      if (pruned) best = pruned.result;
    }
  }
  return { ...best, reached, points: used };
}

/**
 * A freehand stroke as a curve with few control points: the stroke may be unevenly sampled, shaky, and
 * have thousands of points. Points closer together than a tenth of the tolerance add nothing and are
 * skipped while it is fitted; the deviation is that of all of them, and is at most the tolerance where
 * `reached` says so.
 * @param tolerance largest distance of the stroke's points from the curve, in the drawing's unit
 * @param degree 3 where not given
 * @returns the curve with the parameters of all points of the stroke, coinciding neighbours counted once
 * @throws CurveError as `fitPointsToTolerance`
 */
export function fitStroke(points: readonly Point[], tolerance: number, degree = 3): PointToleranceFit {
  validateTolerance(tolerance);
  validatePoints(points);
  const close = tolerance / 10;
  const used = pointsApart(points);
  /** For each point that is used, which of the thinned ones stands for it. */
  const standsIn: number[] = [0];
  const thinned = [used[0]!];
  for (const point of used.slice(1)) {
    const isLast = standsIn.length === used.length - 1;
    if (isLast || distance(point, thinned.at(-1)!) > close) thinned.push(point);
    standsIn.push(thinned.length - 1);
  }
  // Whatever was skipped lies within the rest of the tolerance.
  const { curve, parameters } = fitPointsToTolerance(thinned, degree, tolerance - close);
  const near = standsIn.map((index) => parameters[index]!);
  const nearer = nearestParameters(curve, used, near);
  const [first, second] = [near, nearer].map((at) => distancesOf(curve, used, at).distances);
  const chosen = near.map((u, k) => (second![k]! < first![k]! ? nearer[k]! : u));
  const fit = pointFitOf(curve, used, chosen);
  return { ...fit, reached: fit.deviation <= tolerance, points: used };
}

/** The points without those that coincide with the one before. @throws CurveError `point-count` */
function pointsApart(points: readonly Point[]): Point[] {
  const used = points.filter((point, index) => index === 0 || distance(point, points[index - 1]!) > 0);
  if (used.length > 1) return used;
  throw new CurveError('point-count', told('pointsOnOnePlace'), {
    value: used.length,
  });
}

/** The curve through all points, where they are not too many and it exists. */
function throughAll(
  points: readonly Point[],
  degree: number,
  parametrisation: Parametrisation,
): PointFit | undefined {
  if (points.length > maximumSpanCount + degree) return undefined;
  try {
    const { curve, parameters } = interpolate(points, degree, { parametrisation });
    return pointFitOf(curve, points, parameters);
  } catch (error) {
    if (error instanceof CurveError && error.kind !== 'effort') return undefined;
    throw error;
  }
}

/** Fits, moves each parameter to the nearest place of the curve, and fits again while that helps. */
function correctedFit(
  points: readonly Point[],
  parameters: readonly number[],
  breaks: readonly number[],
  degree: number,
  tolerance: number,
): PointFit {
  const knots = clampedKnotVector(
    0,
    1,
    breaks.map((value) => ({ value, multiplicity: 1 })),
    degree,
  );
  const fit = (at: readonly number[]): PointFit | undefined => {
    try {
      return fitPoints(points, at, knots, degree);
    } catch (error) {
      if (error instanceof CurveError && error.kind === 'singular') return undefined;
      throw error;
    }
  };
  let best = fit(parameters);
  if (!best) {
    const nothing: Curve = { degree: 1, knots: [0, 0, 1, 1], points: [points[0]!, points.at(-1)!] };
    return { ...pointFitOf(nothing, points, parameters), deviation: Infinity };
  }
  let last = best;
  for (let round = 0; round < 12 && best.deviation > tolerance; round++) {
    const next = fit(nearestParameters(last.curve, points, last.parameters));
    // The largest distance may grow for a round while the sum of squares falls.
    if (!next || next.deviation > 1.1 * best.deviation) break;
    if (Math.abs(next.deviation - last.deviation) < 0.005 * last.deviation) break;
    last = next;
    if (next.deviation < best.deviation) best = next;
  }
  return best;
}

/** How far one step of Newton's method moves the parameter of each point towards its nearest place. */
function stepsToNearest(curve: Curve, points: readonly Point[], parameters: readonly number[]): number[] {
  const dimension = points[0]!.length;
  const values = derivativesAtMany(curve, parameters, 2);
  return points.map((point, k) => {
    let slope = 0;
    let bend = 0;
    for (let axis = 0; axis < dimension; axis++) {
      const at = k * 3 * dimension + axis;
      const off = values[at]! - point[axis]!;
      const first = values[at + dimension]!;
      slope += off * first;
      bend += first * first + off * values[at + 2 * dimension]!;
    }
    return bend > 0 ? -slope / bend : 0;
  });
}

/** One such step for each point, the order of points kept. */
function nearestParameters(curve: Curve, points: readonly Point[], parameters: readonly number[]): number[] {
  const steps = stepsToNearest(curve, points, parameters);
  const moved = parameters.map((u, k) => Math.min(1, Math.max(0, u + steps[k]!)));
  moved[0] = 0;
  moved[moved.length - 1] = 1;
  // A step may not carry a point past its neighbours.
  return moved.map((u, k) => {
    if (k === 0 || k === moved.length - 1) return u;
    const low = (parameters[k - 1]! + parameters[k]!) / 2;
    const high = (parameters[k]! + parameters[k + 1]!) / 2;
    return Math.min(high, Math.max(low, u));
  });
}

/** A new break in every span with a point too far off, where the points on both sides are about as many. */
function splitWhereOff(
  points: readonly Point[],
  { curve, parameters }: PointFit,
  breaks: readonly number[],
  tolerance: number,
  degree: number,
): number[] {
  const ends = [0, ...breaks, 1];
  const { distances } = distancesOf(curve, points, parameters);
  const added: number[] = [];
  for (let span = 0; span + 1 < ends.length; span++) {
    const [from, to] = [ends[span]!, ends[span + 1]!];
    const inside = parameters
      .map((u, k) => ({ u, off: distances[k]! }))
      .filter(({ u }) => u >= from && (u < to || to === 1));
    const worst = Math.max(0, ...inside.map(({ off }) => off));
    if (worst <= tolerance || inside.length < 2 * Math.max(2, degree)) continue;
    // Half of the squared distance on either side; not too near an end.
    const total = inside.reduce((sum, { off }) => sum + off * off, 0);
    let sum = 0;
    let at = 0;
    while (at < inside.length - 1 && sum + inside[at]!.off ** 2 < total / 2) sum += inside[at++]!.off ** 2;
    const room = Math.max(1, Math.floor(inside.length / 4));
    at = Math.min(inside.length - 1 - room, Math.max(room, at));
    const value = (inside[at]!.u + inside[Math.max(0, at - 1)]!.u) / 2;
    if (value > from && value < to) added.push(value);
  }
  return [...breaks, ...added].sort((a, b) => a - b);
}

function distancesOf(
  curve: Curve,
  points: readonly Point[],
  parameters: readonly number[],
): { distances: Float64Array; worst: number } {
  const dimension = points[0]!.length;
  const values = pointsAt(curve, parameters);
  const distances = new Float64Array(points.length);
  let worst = 0;
  for (let k = 0; k < points.length; k++) {
    const point = points[k]!;
    let sum = 0;
    for (let axis = 0; axis < dimension; axis++) sum += (values[k * dimension + axis]! - point[axis]!) ** 2;
    distances[k] = Math.sqrt(sum);
    if (distances[k]! > distances[worst]!) worst = k;
  }
  return { distances, worst };
}

/** A curve with how far it lies from points at parameters. */
function pointFitOf(curve: Curve, points: readonly Point[], parameters: readonly number[]): PointFit {
  const { distances, worst } = distancesOf(curve, points, parameters);
  return { curve, parameters, deviation: distances[worst]!, worst };
}
