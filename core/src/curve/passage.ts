import { CurveError } from './error.js';
import type { Curve, Point } from './curve.js';
import { elevateDegree } from './elevateDegree.js';
import { insertKnots } from './insertKnot.js';
import { domainOf, grevilleAbscissae } from './knotVector.js';
import { mapDomain } from './reparametrise.js';

/** What is seen of a curve on its way to another: the curve, and its polygon, which may have more corners than points. */
export interface OnTheWay {
  readonly curve: Curve;
  readonly polygon: readonly Point[];
}

/**
 * The way from one curve to another, to be shown as motion. Curves with as many points of the same degree go point by
 * point. Where one can be written with the degree and the knots of the other, exactly (P&T 5.3, 5.5), it is, so that a
 * knot that comes in leaves the curve where it is; only the polygon cuts its corners. It is seen as a function over the
 * Greville abscissae, by which the inserted points lie on the legs of the old one (F 8). Anything else goes from the
 * polygon of the first, read at the Greville abscissae of the other.
 * @returns what is seen at a time from 0, the first curve, to 1, the second
 */
export function passageBetween(first: Curve, second: Curve): (time: number) => OnTheWay {
  const [start, end] = domainOf(second.knots, second.degree);
  const from = sameDomain(first, start, end);
  if (isAlike(from, second)) {
    return (time) => {
      const curve = between(from, second, time);
      return { curve, polygon: curve.points };
    };
  }
  const forth = writtenLike(from, second);
  const back = forth ? undefined : writtenLike(second, from);
  const like = forth ?? (back ? undefined : roughlyLike(from, second));
  const polygon = polygonBetween(from, second);
  return (time) => ({
    curve: like ? between(like, second, time) : between(from, back!, time),
    polygon: polygon(time),
  });
}

function sameDomain(curve: Curve, start: number, end: number): Curve {
  const [from, to] = domainOf(curve.knots, curve.degree);
  return from === start && to === end ? curve : mapDomain(curve, start, end);
}

const isAlike = (a: Curve, b: Curve): boolean =>
  a.degree === b.degree && a.points.length === b.points.length && a.periodic === b.periodic;

/** A curve written with the degree and the knots of another, exactly; nothing where it can't be. */
function writtenLike(curve: Curve, other: Curve): Curve | undefined {
  const times = other.degree - curve.degree;
  if (times < 0 || curve.periodic || other.periodic) return undefined;
  try {
    const raised = times > 0 ? elevateDegree(curve, times) : curve;
    const missing = [...other.knots];
    for (const knot of raised.knots) {
      const at = missing.findIndex((value) => Math.abs(value - knot) < 1e-9);
      if (at < 0) return undefined;
      missing.splice(at, 1);
    }
    const written = missing.length > 0 ? insertKnots(raised, missing) : raised;
    return isAlike(written, other) ? written : undefined;
  } catch (error) {
    if (error instanceof CurveError) return undefined;
    throw error;
  }
}

/** The structure of a curve, with points on the polygon of another. */
function roughlyLike(from: Curve, like: Curve): Curve {
  const read = polygonOf(from);
  const { weights: _, signedWeights: __, ...plain } = like;
  return { ...plain, points: grevilleAbscissae(like.knots, like.degree).map(read) };
}

/** A control polygon as a function of the parameter, over its Greville abscissae. */
function polygonOf({ knots, degree, points }: Curve): (u: number) => Point {
  const abscissae = grevilleAbscissae(knots, degree);
  return (u) => {
    const after = abscissae.findIndex((abscissa) => abscissa >= u);
    if (after <= 0) return after === 0 ? points[0]! : points.at(-1)!;
    const [low, high] = [abscissae[after - 1]!, abscissae[after]!];
    return mix(points[after - 1]!, points[after]!, high > low ? (u - low) / (high - low) : 1);
  };
}

function polygonBetween(from: Curve, to: Curve): (time: number) => readonly Point[] {
  const corners = [
    ...grevilleAbscissae(from.knots, from.degree),
    ...grevilleAbscissae(to.knots, to.degree),
  ].sort((a, b) => a - b);
  const [before, after] = [polygonOf(from), polygonOf(to)].map((read) => corners.map(read));
  return (time) => corners.map((_, index) => mix(before![index]!, after![index]!, time));
}

function between(from: Curve, to: Curve, time: number): Curve {
  const { weights: _, signedWeights: __, ...plain } = to;
  const points = to.points.map((point, index) => mix(from.points[index]!, point, time));
  const knots = mix(from.knots, to.knots, time);
  if (!from.weights && !to.weights) return { ...plain, knots, points };
  const ones = to.points.map(() => 1);
  const signed = from.signedWeights ?? to.signedWeights;
  return {
    ...plain,
    knots,
    points,
    weights: mix(from.weights ?? ones, to.weights ?? ones, time),
    ...(signed ? { signedWeights: true as const } : {}),
  };
}

const mix = (from: readonly number[], to: readonly number[], time: number): number[] =>
  to.map((value, index) => (time === 1 ? value : from[index]! + time * (value - from[index]!)));
