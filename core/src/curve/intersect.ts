import { refuseSignedWeights } from './betweenPoles.js';
import { told } from '../told/told.js';
import { closednessOf } from './close.js';
import { dimensionOf, type Curve, type Point } from './curve.js';
import { rootsOfBernstein } from './bernstein.js';
import { decompose } from './decompose.js';
import { spend } from './effort.js';
import { CurveError } from './error.js';
import { partsOfEvenWeight } from './evenWeights.js';
import { derivativesAt, pointAt } from './evaluate.js';
import { domainOf, findSpan } from './knotVector.js';
import { boxesMeet, halvePart, partsOf, runsForward, sizeOfPart, type BezierPart } from './subdivide.js';
import { cross, distance, dot, mix, subtract } from './vector.js';

/** A point where two curves, or two parts of one, meet. */
interface Intersection {
  /** The parameter on each. */
  readonly parameters: readonly [number, number];
  readonly point: Point;
}

/** The places where curves meet. */
export interface Intersections {
  readonly places: readonly Intersection[];
  /** Whether they run along each other over a stretch, so that a list of points is incomplete. */
  readonly overlapping: boolean;
}

/** A place where a curve crosses or touches a line. */
export interface LineIntersection {
  readonly parameter: number;
  readonly point: Point;
  /** Where on the line: 0 at its first place, 1 at its second. */
  readonly along: number;
}

/**
 * Where a plane curve meets a line, as the roots of its distance from it on every Bézier piece (F 5).
 * @param line two places that are apart
 * @param segment whether only intersections between the two points count
 * @returns by the curve's parameter, ascending; a piece that lies in the line gives no place
 * @throws CurveError `unsupported` in space, `argument`
 */
export function intersectLine(
  curve: Curve,
  line: readonly [Point, Point],
  segment = false,
): LineIntersection[] {
  refuseSignedWeights(curve);
  if (dimensionOf(curve) !== 2) {
    throw new CurveError('unsupported', told('intersectionOfPlaneOnly'));
  }
  const along = subtract(line[1], line[0]);
  const squared = dot(along, along);
  if (!(squared > 0 && Number.isFinite(squared))) {
    throw new CurveError('argument', told('lineEnds'));
  }
  const found: LineIntersection[] = [];
  for (const piece of decompose(curve).flatMap(partsOfEvenWeight)) {
    const [start, end] = domainOf(piece.knots, piece.degree);
    const heights = piece.points.map(
      (point, k) => cross(along, subtract(point, line[0])) * (piece.weights ? piece.weights[k]! : 1),
    );
    let size = 0;
    for (const point of piece.points) {
      size = Math.max(size, ...point.map(Math.abs), ...line[0].map(Math.abs));
    }
    const noise = 4e-16 * size * Math.sqrt(squared) * (piece.weights ? Math.max(...piece.weights) : 1);
    for (const t of rootsOfBernstein(heights, noise)) {
      const parameter = t === 1 ? end : start + t * (end - start);
      const point = pointAt(piece, parameter);
      const share = dot(subtract(point, line[0]), along) / squared;
      if (segment && !(share >= -1e-12 && share <= 1 + 1e-12)) continue;
      const last = found.at(-1);
      if (last && parameter - last.parameter <= 1e-12 * Math.max(1, Math.abs(parameter))) continue;
      found.push({ parameter, point, along: share });
    }
  }
  return found;
}

/** More pairs of halves of two parts than this at one size are a sign of curves that run along each other. */
const mostPairs = 1000;
/** Two pieces of degree 9 meet in 81 places at most (Bézout). */
const mostPlaces = 100;
/** After so many pairs of parts that run along each other no more is looked for. */
const mostOverlapping = 20;
/**
 * How many pairs of parts with so many control points are looked at in all; where that is not enough, what is found is
 * incomplete, as where curves overlap.
 */
const mostLooks = ([a, b]: Pair): number => 3_000_000 / (a.points.length + b.points.length);

/**
 * Where two curves meet: pairs of their Bézier pieces whose boxes meet are halved until they are small,
 * and the places polished by Newton's method (F 5; Sederberg & Parry 1986). In space only real meetings
 * count, not where one passes over the other.
 * @param tolerance distance within which two places count as meeting; a billionth of the size where not
 * given
 * @throws CurveError `point` where one curve is plane and the other is not
 */
export function intersectCurves(first: Curve, second: Curve, tolerance?: number): Intersections {
  refuseSignedWeights(first);
  refuseSignedWeights(second);
  if (dimensionOf(first) !== dimensionOf(second)) {
    throw new CurveError('point', told('intersectionOfMixedDimensions'));
  }
  const within =
    tolerance ?? 1e-9 * Math.max(...[...first.points, ...second.points].flat().map(Math.abs), 1e-300);
  const { places, overlapping } = narrow(
    meetingPairs(partsOf(first), partsOf(second), within),
    within,
    () => false,
    ([a, b]) => {
      const place = newton(first, second, a, b);
      return place && place.gap <= within ? place : undefined;
    },
  );
  return { places: distinctPlaces(places, first, second, within), overlapping };
}

/**
 * Where a curve meets itself, the joints of its spans and of its ends not counted: pieces are halved
 * until each runs forward along one direction, and all pairs that are not neighbours are compared.
 * @param tolerance as for `intersectCurves`
 * @returns the smaller parameter of each place first
 */
export function selfIntersections(curve: Curve, tolerance?: number): Intersections {
  refuseSignedWeights(curve);
  const within = tolerance ?? 1e-9 * Math.max(...curve.points.flat().map(Math.abs), 1e-300);
  const [start, end] = domainOf(curve.knots, curve.degree);
  // Parts that cannot meet themselves; a cusp is halved a few times and then left as it is.
  const simple: BezierPart[] = [];
  const simplify = (part: BezierPart, depth: number): void => {
    spend(2);
    // What is so small stands still, however often it is halved.
    if (depth === 0 || sizeOfPart(part) <= within || runsForward([part])) {
      simple.push(part);
      return;
    }
    halvePart(part).forEach((half) => simplify(half, depth - 1));
  };
  partsOf(curve).forEach((part) => simplify(part, 14));
  // A part that stands still is where those before and after it end.
  const moving = simple.filter((part) => sizeOfPart(part) > within);
  const near = 1e-7 * (end - start);
  const joined = ([a, b]: Pair): boolean => a.to === b.from && runsForward([a, b]);
  const closed = closednessOf(curve, within) !== 'open';
  /** Whether the curve stays at one place from one parameter to another, as at a corner or where points are stacked. */
  const stays = (u: number, v: number): boolean =>
    [0.25, 0.5, 0.75].every(
      (share) => distance(pointAt(curve, u), pointAt(curve, u + share * (v - u))) <= 10 * within,
    );
  const apart = ([one, two]: readonly [number, number]): boolean => {
    const [u, v] = [Math.min(one, two), Math.max(one, two)];
    if (v - u <= near || (u - start < near && end - v < near)) return false;
    return !stays(u, v) && !(closed && stays(start, u) && stays(v, end));
  };
  const { places: found, overlapping } = narrow(
    meetingPairs(moving, undefined, within),
    within,
    joined,
    ([a, b]) => {
      const place = newton(curve, curve, a, b);
      return place && place.gap <= within && apart(place.parameters) ? place : undefined;
    },
  );
  const places = distinctPlaces(found, curve, curve, within).map((place) =>
    place.parameters[0] <= place.parameters[1]
      ? place
      : { ...place, parameters: [place.parameters[1], place.parameters[0]] as const },
  );
  return { places, overlapping };
}

type Pair = readonly [BezierPart, BezierPart];

/**
 * The pairs of parts of two lists, or of one, whose boxes meet, one after the other: parts are taken by where their boxes
 * begin along the first axis, each with those that have not ended yet.
 */
function* meetingPairs(
  first: readonly BezierPart[],
  second: readonly BezierPart[] | undefined,
  within: number,
): Generator<Pair> {
  const all = [
    ...first.map((part, index) => ({ part, index, of: 0 })),
    ...(second ?? []).map((part, index) => ({ part, index, of: 1 })),
  ].sort((a, b) => a.part.low[0]! - b.part.low[0]! || a.of - b.of || a.index - b.index);
  let active: typeof all = [];
  for (const entry of all) {
    active = active.filter(({ part }) => part.high[0]! + within >= entry.part.low[0]!);
    for (const other of active) {
      if (second && other.of === entry.of) continue;
      if (!boxesMeet(other.part, entry.part, within)) continue;
      const [a, b] = second
        ? other.of === 0
          ? [other, entry]
          : [entry, other]
        : other.index < entry.index
          ? [other, entry]
          : [entry, other];
      yield [a.part, b.part];
    }
    active.push(entry);
  }
}

/** Halves each pair until its parts are small; `done` names pairs that need no further look. */
function narrow(
  pairs: Iterable<Pair>,
  within: number,
  done: (pair: Pair) => boolean,
  polish: (pair: Pair) => Place | undefined,
): { places: Place[]; overlapping: boolean } {
  const places: Place[] = [];
  let overlapping = 0;
  let looks = 0;
  for (const pair of pairs) {
    if (looks > mostLooks(pair) || overlapping > mostOverlapping) return { places, overlapping: true };
    if (done(pair)) continue;
    // Curves that touch lie within the tolerance of each other over a stretch of about this length.
    const whole = Math.max(sizeOfPart(pair[0]), sizeOfPart(pair[1]));
    const smallest = Math.max(4 * within, Math.sqrt(within * whole));
    let active: readonly Pair[] = [pair];
    const before = places.length;
    for (let level = 0; level < 60 && active.length > 0; level++) {
      const next: Pair[] = [];
      for (const [a, b] of active) {
        looks++;
        spend(2);
        const [sizeA, sizeB] = [sizeOfPart(a), sizeOfPart(b)];
        const isSmall = Math.max(sizeA, sizeB) <= smallest;
        if (isSmall || straightAndCrossing(a, b)) {
          const place = polish([a, b]);
          looks += 10;
          spend(20);
          if (place) places.push(place);
          // Where Newton's method leads nowhere from large parts, they may cross near their ends, or not at all.
          if (place || isSmall) continue;
        }
        // The larger of both is halved, both where they are about equal.
        const partsA = sizeA >= sizeB / 2 ? halvePart(a) : [a];
        const partsB = sizeB >= sizeA / 2 ? halvePart(b) : [b];
        for (const partA of partsA) {
          for (const partB of partsB) {
            if (boxesMeet(partA, partB, within) && !done([partA, partB])) next.push([partA, partB]);
          }
        }
      }
      active = next;
      const isAlong = active.length > mostPairs || places.length - before > mostPlaces;
      if (isAlong || looks > mostLooks(pair)) {
        overlapping++;
        active = [];
      }
    }
    for (const left of active) {
      const place = polish(left);
      if (place) places.push(place);
    }
  }
  return { places, overlapping: overlapping > 0 };
}

/**
 * Whether two plane parts are nearly straight and their directions differ clearly, so that Newton's method finds the one
 * place where they cross. For two segments nearly any difference is clear, since Newton's method has no bend to follow.
 */
function straightAndCrossing(a: BezierPart, b: BezierPart): boolean {
  if (a.low.length !== 2 || !isEven(a) || !isEven(b)) return false;
  const [chordA, chordB] = [a, b].map(({ points }) => subtract(points.at(-1)!, points[0]!)) as [
    number[],
    number[],
  ];
  const [lengthA, lengthB] = [Math.hypot(...chordA), Math.hypot(...chordB)];
  const clear = a.points.length === 2 && b.points.length === 2 ? 1e-6 : 0.05;
  if (!(Math.abs(cross(chordA, chordB)) > clear * lengthA * lengthB)) return false;
  const straight = ({ points }: BezierPart, chord: number[], length: number): boolean =>
    points.every((point, k) => {
      if (k === 0) return true;
      const leg = subtract(point, points[k - 1]!);
      return Math.abs(cross(chord, leg)) <= 0.01 * length * Math.hypot(...leg) && dot(chord, leg) >= 0;
    });
  return straight(a, chordA, lengthA) && straight(b, chordB, lengthB);
}

/** Whether a part runs through its parameter nearly evenly as far as its weights go. */
function isEven({ rows, low }: BezierPart): boolean {
  if (rows[0]!.length === low.length) return true;
  let [least, most] = [Infinity, 0];
  for (const row of rows) {
    const weight = row[low.length]!;
    if (weight < least) least = weight;
    if (weight > most) most = weight;
  }
  return most <= 1.5 * least;
}

/** A place that Newton's method found, with how far apart the curves are there. */
type Place = Intersection & { readonly gap: number };

/** The places, each once, ascending by the first parameter. */
function distinctPlaces(
  places: readonly Place[],
  first: Curve,
  second: Curve,
  within: number,
): Intersection[] {
  const found = [...places];
  found.sort((a, b) => a.parameters[0] - b.parameters[0] || a.parameters[1] - b.parameters[1]);
  // Neighbouring candidates that converged to the same point count once, as the closest of them.
  const [startA, endA] = domainOf(first.knots, first.degree);
  const [startB, endB] = domainOf(second.knots, second.degree);
  // Start and end of a closed curve are one place.
  const closed = [first, second].map((curve) => closednessOf(curve, within) !== 'open') as [boolean, boolean];
  const beside = (u: number, v: number, length: number, round: boolean): boolean => {
    const off = Math.abs(u - v);
    return off < 1e-4 * length || (round && length - off < 1e-4 * length);
  };
  const kept: Place[] = [];
  for (const place of found) {
    const same = kept.findIndex(
      (other) =>
        beside(other.parameters[0], place.parameters[0], endA - startA, closed[0]) &&
        beside(other.parameters[1], place.parameters[1], endB - startB, closed[1]) &&
        nearAlong(first, other.parameters[0], place.parameters[0], within),
    );
    if (same < 0) kept.push(place);
    else if (place.gap < kept[same]!.gap) kept[same] = place;
  }
  return kept.map(({ parameters, point }) => ({ parameters, point }));
}

/** Whether two places so close to each other are one: equal, or a touching seen from several sides. */
function nearAlong(first: Curve, u: number, v: number, within: number): boolean {
  const [a, b] = [pointAt(first, u), pointAt(first, v)];
  if (distance(a, b) <= 10 * within) return true;
  if (distance(a, b) > 1e5 * within) return false;
  const [start, end] = domainOf(first.knots, first.degree);
  const overSeam = Math.abs(u - v) > (end - start) / 2;
  return overSeam || distance(mix(a, b, 0.5), pointAt(first, (u + v) / 2)) <= within;
}

/** A part with half as much again on either side, as far as its span goes: what lies beyond is for the parts there. */
function roomOf({ knots, degree }: Curve, { from, to }: BezierPart): readonly [number, number] {
  const span = findSpan(knots, degree, (from + to) / 2);
  const room = (to - from) / 2;
  return [Math.max(knots[span]!, from - room), Math.min(knots[span + 1]!, to + room)];
}

/** Gauss–Newton on |first(u) − second(v)|² from the middle of two parts, kept within a little more than them. */
function newton(first: Curve, second: Curve, a: BezierPart, b: BezierPart): Place | undefined {
  const clamp = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));
  const [lowA, highA] = roomOf(first, a);
  const [lowB, highB] = roomOf(second, b);
  let [u, v] = [(a.from + a.to) / 2, (b.from + b.to) / 2];
  let best: { u: number; v: number; gap: number; point: Point } | undefined;
  for (let step = 0; step < 40; step++) {
    const [p, du] = derivativesAt(first, u, 1) as [Point, Point];
    const [q, dv] = derivativesAt(second, v, 1) as [Point, Point];
    const off = subtract(p, q);
    const gap = Math.hypot(...off);
    if (!best || gap < best.gap) best = { u, v, gap, point: mix(p, q, 0.5) };
    if (gap === 0) break;
    const [uu, uv, vv] = [dot(du, du), -dot(du, dv), dot(dv, dv)];
    const [ru, rv] = [-dot(off, du), dot(off, dv)];
    const determinant = uu * vv - uv * uv;
    let [stepU, stepV] = [0, 0];
    if (determinant > 1e-14 * uu * vv) {
      stepU = (ru * vv - rv * uv) / determinant;
      stepV = (uu * rv - uv * ru) / determinant;
    } else if (uu > 0) {
      stepU = ru / uu;
    }
    const [nextU, nextV] = [clamp(u + stepU, lowA, highA), clamp(v + stepV, lowB, highB)];
    const still =
      Math.abs(nextU - u) <= 2 ** -52 * Math.max(1e-300, Math.abs(u)) &&
      Math.abs(nextV - v) <= 2 ** -52 * Math.max(1e-300, Math.abs(v));
    if (still) break;
    [u, v] = [nextU, nextV];
  }
  return best && { parameters: [best.u, best.v], point: best.point, gap: best.gap };
}
