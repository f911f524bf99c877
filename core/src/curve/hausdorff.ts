import { told } from '../told/told.js';
import { refuseSignedWeights } from './betweenPoles.js';
import { dimensionOf, type Curve, type Point } from './curve.js';
import { multiplyBernstein } from './bernstein.js';
import { boundLargest } from './boundLargest.js';
import { CurveError } from './error.js';
import { derivativesAt, pointAt } from './evaluate.js';
import { domainOf, spansOf, type Span } from './knotVector.js';
import { nearestFinder, type NearestPoint } from './nearest.js';
import { differenceOfPieces, lengthOfRow, rowsOver, withQuadraticParameter } from './pieceDifference.js';
import { sizeOf } from './sizeOf.js';
import { halveRows } from './subdivide.js';
import { distance, dot, subtract } from './vector.js';

/** The largest distance of two curves, whatever their parameters, and where it is. */
export interface LargestDistance {
  /**
   * Never smaller than the true one; larger by rounding only, as a rule. Two
   * intricate curves of the same shape with other parameters may take more work than is allowed, and it is larger then.
   */
  readonly distance: number;
  /** How far apart the two points below are: the true distance is at least this. */
  readonly atLeast: number;
  /** The farthest point and the point of the other curve nearest to it. */
  readonly onFirst: Point;
  readonly onSecond: Point;
  /** Their parameters on the first and the second curve. */
  readonly parameters: readonly [number, number];
}

/**
 * The symmetric Hausdorff distance: the distance from the other of the
 * farthest point on either curve (Alt & Scharf 2008). Each is halved where a bound of its distance lies above the largest
 * that was found, so that what is told is a bound itself.
 * @param limit where only whether they are farther apart than this matters: less is told to a thousandth of it
 * @throws CurveError `point` where one curve is plane and the other is not, `weight` where a weight is not positive
 */
export function largestDistance(first: Curve, second: Curve, limit?: number): LargestDistance {
  if (dimensionOf(first) !== dimensionOf(second)) {
    throw new CurveError('point', told('comparisonOfMixedDimensions'));
  }
  refuseSignedWeights(first);
  refuseSignedWeights(second);
  const there = farthestFrom(first, second, limit);
  const back = farthestFrom(second, first, limit);
  return there.atLeast >= back.atLeast
    ? {
        distance: Math.max(there.distance, back.distance),
        atLeast: there.atLeast,
        onFirst: there.from,
        onSecond: there.nearest,
        parameters: [there.parameter, there.nearestParameter],
      }
    : {
        distance: Math.max(there.distance, back.distance),
        atLeast: back.atLeast,
        onFirst: back.nearest,
        onSecond: back.from,
        parameters: [back.nearestParameter, back.parameter],
      };
}

/**
 * The one-sided Hausdorff distance: how far the farthest place of `curve` lies from all of `other`. Where an isometry
 * exchanges the two curves, as a curve and its mirror image, it is that of both sides.
 * @param limit as for `largestDistance`
 * @throws CurveError `point` where one curve is plane and the other is not, `weight` where a weight is not positive
 */
export function largestDistanceFrom(
  curve: Curve,
  other: Curve,
  limit?: number,
): Pick<LargestDistance, 'distance' | 'atLeast'> {
  if (dimensionOf(curve) !== dimensionOf(other)) {
    throw new CurveError('point', told('comparisonOfMixedDimensions'));
  }
  refuseSignedWeights(curve);
  refuseSignedWeights(other);
  return farthestFrom(curve, other, limit);
}

/** A part of a curve within a span, with the points of the other curve nearest to its ends. */
interface Part {
  readonly rows: readonly (readonly number[])[];
  readonly from: number;
  readonly to: number;
  readonly start: Point;
  readonly end: Point;
  readonly atStart: NearestPoint;
  readonly atEnd: NearestPoint;
  /** The same for its middle, once it was asked for. */
  middle?: { readonly point: Point; readonly nearest: NearestPoint };
}

/** The place of `curve` that lies farthest from all of `other`, with a bound of how far that can be. */
function farthestFrom(
  curve: Curve,
  other: Curve,
  limit: number | undefined,
): {
  distance: number;
  atLeast: number;
  parameter: number;
  nearestParameter: number;
  from: Point;
  nearest: Point;
} {
  const find = nearestFinder(other);
  const dimension = dimensionOf(curve);
  const others = spansOf(other.knots, other.degree);
  const size = Math.max(sizeOf(curve), sizeOf(other));
  const [domain, otherDomain] = [domainOf(curve.knots, curve.degree), domainOf(other.knots, other.degree)];
  const sameDomain = domain[0] === otherDomain[0] && domain[1] === otherDomain[1];
  const parts = spansOf(curve.knots, curve.degree).map((span): Part => {
    const rows = rowsOver(curve, span, span.start, span.end);
    const [start, end] = [rows[0]!, rows.at(-1)!].map((row) => pointOfRow(row, dimension)) as [Point, Point];
    return { rows, from: span.start, to: span.end, start, end, atStart: find(start), atEnd: find(end) };
  });
  /** The span of the other curve between two parameters; where they lie in different ones, that in the middle. */
  const spanBetween = (v: number, w: number): Span => {
    const at = (v + w) / 2;
    let [first, last] = [0, others.length - 1];
    while (first < last) {
      const middle = (first + last) >> 1;
      if (others[middle]!.end <= at) first = middle + 1;
      else last = middle;
    }
    return others[first]!;
  };
  /**
   * The middle of a part with the nearest point of the other curve; where that is not the farthest place anyhow, with
   * one found by Newton's method between those of the ends, which is much quicker and no nearer.
   */
  const middleOf = (part: Part, met: number): NonNullable<Part['middle']> => {
    if (!part.middle) {
      const point = pointOfRow(halveRows(part.rows)[1][0]!, dimension);
      const beside = footBetween(other, point, part.atStart.parameter, part.atEnd.parameter);
      part.middle = { point, nearest: beside.distance <= met ? beside : find(point) };
    }
    return part.middle;
  };
  const least = Math.max(1e-14, Math.min(1e-12, (limit ?? Infinity) / 10 / size)) * size;
  const { upper, at } = boundLargest<Part>(
    parts,
    (part, met) => {
      const { rows, from, to, start, end, atStart, atEnd } = part;
      const value = Math.max(atStart.distance, atEnd.distance);
      const known = Math.max(met, value);
      const enough = Math.max(known + least, Math.min(limit ?? 0, known + (limit ?? 0) / 1000));
      const look = { value, at: atStart.distance >= atEnd.distance ? from : to };
      // No point lies farther from the other curve than an end of the part does, and itself from that end.
      let [aroundStart, aroundEnd] = [0, 0];
      for (const row of rows) {
        const point = pointOfRow(row, dimension);
        aroundStart = Math.max(aroundStart, distance(point, start));
        aroundEnd = Math.max(aroundEnd, distance(point, end));
      }
      const near = Math.min(atStart.distance + aroundStart, atEnd.distance + aroundEnd);
      if (near <= enough) return { ...look, upper: near };
      // Any piece of the other curve bounds the distance from it: the one at the same parameters, and the nearest.
      if (sameDomain) {
        const beside = besideOf(
          differenceOfPieces(
            rows as number[][],
            rowsOver(other, spanBetween(from, to), from, to),
            curve,
            other,
          ),
        );
        if (beside <= enough) return { ...look, upper: Math.min(near, beside) };
      }
      const span = spanBetween(atStart.parameter, atEnd.parameter);
      const there = rowsOver(other, span, atStart.parameter, atEnd.parameter);
      const difference = differenceOfPieces(rows as number[][], there, curve, other);
      const beside = besideOf(difference);
      if (beside <= enough) return { ...look, upper: Math.min(near, beside) };
      const upper = Math.min(
        near,
        beside,
        besideChord(rows, there, difference, dimension),
        squaredBound(difference, dimension),
      );
      // Run through so that the middles meet as well, both stay beside each other more closely.
      const length = atEnd.parameter - atStart.parameter;
      const share = (middleOf(part, known).nearest.parameter - atStart.parameter) / length;
      if (upper <= enough || !(share > 0.25 && share < 0.75)) return { ...look, upper };
      const along = withQuadraticParameter(there, 2 * share - 0.5);
      const closer = differenceOfPieces(rows as number[][], along, curve, other);
      return {
        ...look,
        upper: Math.min(upper, besideChord(rows, there, closer, dimension), squaredBound(closer, dimension)),
      };
    },
    (part, met) => {
      const { rows, from, to, start, end, atStart, atEnd } = part;
      const [left, right] = halveRows(rows);
      const { point, nearest } = middleOf(part, met);
      const at = (from + to) / 2;
      return [
        { rows: left, from, to: at, start, end: point, atStart, atEnd: nearest },
        { rows: right, from: at, to, start: point, end, atStart: nearest, atEnd },
      ];
    },
    { share: 1e-13, least, limit },
    mostParts(curve, other),
  );
  const from = pointAt(curve, at);
  const found = find(from);
  return {
    // Control points of differences carry the rounding of products of positive numbers.
    distance: upper === 0 ? 0 : upper + 2 ** -47 * size,
    atLeast: found.distance,
    parameter: at,
    nearestParameter: found.parameter,
    from,
    nearest: found.point,
  };
}

/**
 * How many parts of a curve are looked at beside its spans; where that is not enough, what is told is a bound that lies
 * higher. The work for each grows with the degrees.
 */
const mostParts = (curve: Curve, other: Curve): number => Math.round(12_000 / (curve.degree + other.degree));

function besideOf(difference: readonly (readonly number[])[]): number {
  let largest = 0;
  for (const row of difference) largest = Math.max(largest, lengthOfRow(row));
  return largest;
}

/** As `besideOf`, by the control values of the square, which are closer where the difference turns but keeps its length. */
function squaredBound(difference: readonly (readonly number[])[], dimension: number): number {
  const column = (axis: number): number[] => difference.map((row) => row[axis]!);
  let squares: number[] = [];
  for (let axis = 0; axis < dimension; axis++) {
    const values = column(axis);
    const square = multiplyBernstein(values, values);
    squares = axis === 0 ? square : squares.map((value, k) => value + square[k]!);
  }
  const weight = column(dimension);
  const weights = multiplyBernstein(weight, weight);
  let largest = 0;
  squares.forEach((value, k) => (largest = Math.max(largest, value / weights[k]!)));
  return Math.sqrt(largest);
}

/** A point of a curve between two parameters that is nearest to a place among its neighbours, by Newton's method (P&T 6.1). */
function footBetween(curve: Curve, target: Point, from: number, to: number): NearestPoint {
  const [low, high] = [Math.min(from, to), Math.max(from, to)];
  let v = (low + high) / 2;
  let best: NearestPoint | undefined;
  for (let step = 0; step < 4; step++) {
    const [point, first, second] = derivativesAt(curve, v, 2) as [Point, Point, Point];
    const off = subtract(point, target);
    const far = Math.hypot(...off);
    if (!best || far < best.distance) best = { parameter: v, point, distance: far };
    const slope = dot(first, first) + dot(off, second);
    const next = slope > 0 ? Math.min(high, Math.max(low, v - dot(off, first) / slope)) : v;
    if (next === v) break;
    v = next;
  }
  return best!;
}

function pointOfRow(row: readonly number[], dimension: number): Point {
  return row.length === dimension ? row : row.slice(0, dimension).map((value) => value / row[dimension]!);
}

/**
 * A bound of how far a piece lies from another that runs forward along its own chord: at equal places along the chord
 * they are apart by their difference across it, and by what the other climbs while it goes the difference along it. It
 * shrinks with the third power of the pieces' length where both have the same shape, whatever their parameters.
 * @returns infinity where the other does not run forward along its chord
 */
function besideChord(
  rows: readonly (readonly number[])[],
  there: readonly (readonly number[])[],
  difference: readonly (readonly number[])[],
  dimension: number,
): number {
  const points = there.map((row) => pointOfRow(row, dimension));
  const chord = subtract(points.at(-1)!, points[0]!);
  const length = Math.hypot(...chord);
  if (!(length > 0)) return Infinity;
  const along = chord.map((value) => value / length);
  const acrossOf = (vector: Point): [along: number, across: number] => {
    const share = dot(vector, along);
    return [share, Math.hypot(...vector.map((value, axis) => value - share * along[axis]!))];
  };
  // The direction of a rational piece lies among those from each control point to every later one (Floater 1992).
  let climb = 0;
  for (let i = 0; i < points.length; i++) {
    for (let j = i + 1; j < points.length; j++) {
      const [forward, across] = acrossOf(subtract(points[j]!, points[i]!));
      if (forward === 0 && across === 0) continue;
      if (!(forward > 0)) return Infinity;
      climb = Math.max(climb, across / forward);
    }
  }
  let [largestAlong, largestAcross] = [0, 0];
  for (const row of difference) {
    const [forward, across] = acrossOf(pointOfRow(row, dimension));
    largestAlong = Math.max(largestAlong, Math.abs(forward));
    largestAcross = Math.max(largestAcross, across);
  }
  // Where the piece reaches beyond the ends of the other, it lies that much farther from them.
  let beyond = 0;
  for (const row of rows) {
    const place = dot(subtract(pointOfRow(row, dimension), points[0]!), along);
    beyond = Math.max(beyond, -place, place - length);
  }
  return largestAcross + climb * largestAlong + beyond;
}
