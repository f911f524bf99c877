import { told } from '../told/told.js';
import type { Curve, Point } from './curve.js';
import { CurveError } from './error.js';
import { curveOfRows, homogeneousRows } from './homogeneous.js';
import type { Refined } from './refine.js';
import {
  distinctKnots,
  domainOf,
  relativeKnotTolerance,
  validateDegree,
  type KnotWithMultiplicity,
} from './knotVector.js';

/** `index` brought into 0 … count − 1 by whole turns. */
export function wrapIndex(index: number, count: number): number {
  return ((index % count) + count) % count;
}

/** Number of control points that are different handles: all, or n − p for a periodic curve. */
export function distinctPointCount({ points, degree, periodic }: Curve): number {
  return periodic ? points.length - degree : points.length;
}

/** The length of the domain, after which a periodic curve repeats. */
export function periodOf({ knots, degree }: Curve): number {
  const [start, end] = domainOf(knots, degree);
  return end - start;
}

/** A parameter of a closed curve brought into its domain by whole periods, its end taken for its start. */
export function wrapParameter(curve: Curve, u: number): number {
  const [start, end] = domainOf(curve.knots, curve.degree);
  const period = end - start;
  const wrapped = u - Math.floor((u - start) / period) * period;
  return wrapped >= end || wrapped < start ? start : wrapped;
}

/** The same curve treated as an unclamped one that happens to close; for operations that cut it open. */
export function withoutPeriod(curve: Curve): Curve {
  if (!curve.periodic) return curve;
  const { periodic: _, ...open } = curve;
  return open;
}

/** The first entries once more at the end, as a periodic curve of this degree keeps them. */
export function wrapped<T>(entries: readonly T[], degree: number): T[] {
  return Array.from({ length: entries.length + degree }, (_, index) => entries[index % entries.length]!);
}

/**
 * Knot `index` of a periodic curve's knot vector, continued periodically to both sides. Those of one value are equal to
 * the last digit, whichever period they are counted in.
 */
export function unrolledKnot(curve: Curve, index: number): number {
  const { knots, degree } = curve;
  const [start, end] = domainOf(knots, degree);
  const count = distinctPointCount(curve);
  const turns = Math.floor((index - degree) / count);
  const value = knots[index - turns * count]!;
  return value === end ? shifted(start, turns + 1, start, end) : shifted(value, turns, start, end);
}

/** A knot from the start of the domain on, its end left out, some periods on; exactly the end where it is the start one on. */
function shifted(value: number, turns: number, start: number, end: number): number {
  return turns === 1 && value === start ? end : value + turns * (end - start);
}

/**
 * The rows of a periodic curve over several periods, the domain's in the middle.
 * @returns how many periods stand on either side too, so many that what is changed in the outermost ones does not
 *   reach the middle one
 */
export function unroll(curve: Curve): {
  readonly unrolled: Refined;
  readonly turns: number;
} {
  const { degree } = curve;
  const count = distinctPointCount(curve);
  const turns = Math.ceil((degree + 1) / count) + 1;
  const rows = homogeneousRows(curve);
  const first = -turns * count;
  const total = (2 * turns + 1) * count + degree;
  return {
    unrolled: {
      knots: Array.from({ length: total + degree + 1 }, (_, k) => unrolledKnot(curve, first + k)),
      rows: Array.from({ length: total }, (_, k) => rows[wrapIndex(first + k, count)]!),
    },
    turns,
  };
}

/** The knots of a periodic curve from its start on, the end left out, with their multiplicities. */
export function knotsOfOnePeriod({ knots, degree }: Curve): KnotWithMultiplicity[] {
  const [start, end] = domainOf(knots, degree);
  const tolerance = relativeKnotTolerance * (end - start);
  return distinctKnots(knots, degree).filter(
    ({ value }) => value > start - tolerance && value < end - tolerance,
  );
}

/**
 * The full knot vector of a periodic curve.
 * @param knots the distinct knots of one period, the first at the start of the domain, ascending, with
 * multiplicities up to the degree
 * @param end the end of the domain
 * @returns m + 2p + 1 values, where m is the sum of the multiplicities
 */
export function periodicKnotVector(
  knots: readonly Pick<KnotWithMultiplicity, 'value' | 'multiplicity'>[],
  end: number,
  degree: number,
): number[] {
  const values = knots.flatMap(({ value, multiplicity }) => Array<number>(multiplicity).fill(value));
  const start = values[0]!;
  const count = values.length;
  // The last of the knots at the start stands at index p, so that the first span begins there.
  const shift = knots[0]!.multiplicity - 1 - degree;
  return Array.from({ length: count + 2 * degree + 1 }, (_, index) => {
    const turns = Math.floor((index + shift) / count);
    const value = values[index + shift - turns * count]!;
    return shifted(value, turns, start, end);
  });
}

/**
 * The knot vector of a periodic curve with evenly spaced simple knots.
 * @param count number of different control points, 1 or more
 * @throws CurveError `degree`, `point-count`, `empty-domain`
 */
function periodicUniformKnots(count: number, degree: number, start = 0, end = 1): number[] {
  validateDegree(degree);
  if (!Number.isInteger(count) || count < 1) {
    throw new CurveError('point-count', told('periodicPointCount', { count }), {
      value: count,
    });
  }
  if (!(Number.isFinite(start) && Number.isFinite(end) && end > start)) {
    throw new CurveError('empty-domain', told('emptyDomain', { start, end }), { value: end });
  }
  return periodicKnotVector(
    Array.from({ length: count }, (_, k) => ({
      value: start + ((end - start) * k) / count,
      multiplicity: 1,
    })),
    end,
    degree,
  );
}

/**
 * The periodic curve of evenly spaced knots on given points.
 * @param points the different control points, 3 or more for a curve that encloses something
 * @throws CurveError `degree`, `point-count`
 */
export function periodicCurve(
  degree: number,
  points: readonly Point[],
  weights?: readonly number[],
  start = 0,
  end = 1,
): Curve {
  return {
    degree,
    knots: periodicUniformKnots(points.length, degree, start, end),
    points: wrapped(points, degree),
    ...(weights ? { weights: wrapped(weights, degree) } : {}),
    periodic: true,
  };
}

/** The periodic curve of these homogeneous rows, one for each different point, rational where `like` is. */
export function periodicOfRows(
  like: Curve,
  knots: readonly number[],
  rows: readonly (readonly number[])[],
): Curve {
  const degree = (knots.length - rows.length - 1) / 2;
  const { points, weights, ...made } = curveOfRows(like, degree, knots, rows);
  return {
    ...made,
    points: wrapped(points, degree),
    ...(weights ? { weights: wrapped(weights, degree) } : {}),
    periodic: true,
  };
}

/** The index of every control point that is the same handle as `index`: itself, and its twins in a periodic curve. */
export function twinsOf(curve: Curve, index: number): number[] {
  if (!curve.periodic) return [index];
  const count = distinctPointCount(curve);
  const twins: number[] = [];
  for (let twin = index % count; twin < curve.points.length; twin += count) twins.push(twin);
  return twins;
}

/** The same curve with control point `index`, and its twins in a periodic one, at another place. */
export function withPoint(curve: Curve, index: number, to: Point): Curve {
  const twins = twinsOf(curve, index);
  return { ...curve, points: curve.points.map((point, k) => (twins.includes(k) ? to : point)) };
}

/** The same curve with another weight for control point `index` and its twins; the others become 1 where there were none. */
export function withWeight(curve: Curve, index: number, weight: number): Curve {
  const twins = twinsOf(curve, index);
  const before = curve.weights ?? curve.points.map(() => 1);
  return { ...curve, weights: before.map((value, k) => (twins.includes(k) ? weight : value)) };
}
