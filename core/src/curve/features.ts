import { refuseSignedWeights } from './betweenPoles.js';
import { told } from '../told/told.js';
import {
  addBernstein,
  differentiateBernstein,
  multiplyBernstein,
  rootsOfBernstein,
  subtractBernstein,
} from './bernstein.js';
import { dimensionOf, type Curve, type Point } from './curve.js';
import { decompose } from './decompose.js';
import { curvatureAt, curvatureDerivativeAt } from './differential.js';
import { CurveError } from './error.js';
import { pointAt } from './evaluate.js';
import { partsOfEvenWeight } from './evenWeights.js';
import { domainOf } from './knotVector.js';

/** A place where the curvature changes sign. */
export interface CurveLocation {
  readonly parameter: number;
  readonly point: Point;
}

/** A place where the curvature is largest or smallest among its neighbours. */
export interface CurvatureExtreme extends CurveLocation {
  readonly curvature: number;
  /** Whether the size of the curvature has a peak or a valley. */
  readonly kind: 'largest' | 'smallest';
}

/**
 * The inflections of a plane curve: the roots of the numerator of its curvature at which it changes sign,
 * on every span; a straight stretch has none (P&T 6; F 11). A jump of sign at a knot counts as one.
 * @throws CurveError `unsupported` in space, where curvature has no sign
 */
export function inflections(curve: Curve): CurveLocation[] {
  refuseSignedWeights(curve);
  if (dimensionOf(curve) !== 2) {
    throw new CurveError('unsupported', told('inflectionsOfPlaneOnly'));
  }
  const found: CurveLocation[] = [];
  let lastSign = 0;
  for (const piece of decompose(curve).flatMap(partsOfEvenWeight)) {
    const [start, end] = domainOf(piece.knots, piece.degree);
    const { turn } = curvatureParts(piece);
    const numerator = turn[0]!;
    const size = largestOf(numerator);
    if (size <= 1e-13 * turnScale(piece)) continue;
    const roots = rootsOfBernstein(numerator, 1e-14 * size).filter((t) => t > 1e-12 && t < 1 - 1e-12);
    const ends = [0, ...roots, 1];
    for (let k = 1; k < ends.length; k++) {
      const middle = (ends[k - 1]! + ends[k]!) / 2;
      const sign = Math.sign(curvatureAt(piece, start + middle * (end - start)) ?? 0);
      if (sign === 0) continue;
      if (lastSign !== 0 && sign !== lastSign) {
        const parameter = start + ends[k - 1]! * (end - start);
        found.push({ parameter, point: pointAt(curve, parameter) });
      }
      lastSign = sign;
    }
  }
  return found;
}

/**
 * The places where the size of the curvature is largest or smallest, inside spans: the roots of its
 * derivative by arc length, isolated as those of its numerator in Bernstein form and polished on the
 * curve itself (P&T 6; F 11). At knots, where curvature may jump or bend, see the measured continuity.
 */
export function curvatureExtremes(curve: Curve): CurvatureExtreme[] {
  refuseSignedWeights(curve);
  const found: CurvatureExtreme[] = [];
  for (const { whole, part: piece } of decompose(curve).flatMap((whole) =>
    partsOfEvenWeight(whole).map((part) => ({ whole, part })),
  )) {
    const [start, end] = domainOf(piece.knots, piece.degree);
    const [first, last] = domainOf(whole.knots, whole.degree);
    const { turn, speedSquared, weight } = curvatureParts(piece);
    if (Math.max(...turn.map(largestOf)) <= 1e-13 * turnScale(piece)) continue;
    // (N·N′) W S + 2 (N·N) W′ S − (3/2) (N·N) W S′ with S = D·D; in the plane N itself instead of N·N.
    const plane = turn.length === 1;
    const square = plane ? turn[0]! : sumOf(turn.map((part) => multiplyBernstein(part, part)));
    const slope = plane
      ? differentiateBernstein(turn[0]!)
      : sumOf(turn.map((part) => multiplyBernstein(part, differentiateBernstein(part))));
    const change = differentiateBernstein(speedSquared).map((value) => value / 2);
    let numerator = subtractBernstein(
      multiplyBernstein(slope, speedSquared),
      multiplyBernstein(square, change).map((value) => 3 * value),
    );
    if (weight) {
      numerator = addBernstein(
        multiplyBernstein(numerator, weight),
        multiplyBernstein(multiplyBernstein(square, differentiateBernstein(weight)), speedSquared).map(
          (value) => 2 * value,
        ),
      );
    }
    const size = largestOf(numerator);
    const scale = largestOf(square) * largestOf(speedSquared) * (weight ? largestOf(weight) : 1);
    // An arc of a circle has no place of largest curvature.
    if (size <= 1e-11 * scale) continue;
    for (const t of rootsOfBernstein(numerator, 1e-14 * size)) {
      const near = 1e-9 * (last - first);
      const at = start + t * (end - start);
      if (at < first + near || at > last - near) continue;
      const parameter = polish(whole, at, 1e-3 * (end - start), [first, last]);
      const curvature = curvatureAt(whole, parameter);
      if (curvature === undefined) continue;
      const step = 1e-4 * (end - start);
      const beside = [parameter - step, parameter + step]
        .filter((u) => u > first && u < last)
        .map((u) => Math.abs(curvatureAt(whole, u) ?? 0));
      const here = Math.abs(curvature);
      // A point where the derivative vanishes without a change of sign is no extreme.
      const largest = beside.every((value) => value <= here * (1 + 1e-13));
      const smallest = beside.every((value) => value >= here * (1 - 1e-13));
      if (largest === smallest) continue;
      if (found.length > 0 && parameter - found.at(-1)!.parameter < 1e-7 * (end - start)) continue;
      found.push({
        parameter,
        point: pointAt(whole, parameter),
        curvature,
        kind: largest ? 'largest' : 'smallest',
      });
    }
  }
  return found;
}

/** Brings a root of the curvature's derivative to the rounding of the curve, by bisection around it. */
function polish(piece: Curve, u: number, reach: number, [start, end]: readonly [number, number]): number {
  const value = (v: number): number => curvatureDerivativeAt(piece, v) ?? 0;
  let width = reach * 1e-6;
  let [low, high] = [u, u];
  let [atLow, atHigh] = [0, 0];
  while (width <= reach) {
    [low, high] = [Math.max(start, u - width), Math.min(end, u + width)];
    [atLow, atHigh] = [value(low), value(high)];
    if (atLow * atHigh < 0) break;
    width *= 10;
  }
  if (!(atLow * atHigh < 0)) return u;
  for (let step = 0; step < 60 && high - low > 2 ** -52 * Math.max(Math.abs(low), Math.abs(high)); step++) {
    const middle = (low + high) / 2;
    const at = value(middle);
    if (at === 0) return middle;
    if (at < 0 === atLow < 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** The weighted coordinates of a Bézier piece, one list a coordinate, and its weights. */
function homogeneousParts({ points, weights }: Curve): [number[][], readonly number[] | undefined] {
  const parts = points[0]!.map((_, axis) =>
    points.map((point, k) => point[axis]! * (weights ? weights[k]! : 1)),
  );
  return [parts, weights];
}

/** x′ w − x w′, whose roots are those of (x / w)′; x′ where there are no weights. */
function quotientNumerator(numerator: readonly number[], weights: readonly number[] | undefined): number[] {
  const change = differentiateBernstein(numerator);
  if (!weights) return change;
  return subtractBernstein(
    multiplyBernstein(change, weights),
    multiplyBernstein(numerator, differentiateBernstein(weights)),
  );
}

/**
 * The parts of a piece's curvature by its local parameter: with D = X′W − XW′ it is |D × D′| W² / |D|³.
 */
function curvatureParts(piece: Curve): {
  turn: number[][];
  speedSquared: number[];
  weight: readonly number[] | undefined;
} {
  // About its first point and in its own size, so that neither a far-off place nor a tiny curve costs digits.
  const origin = piece.points[0]!;
  const offsets = piece.points.map((point) => point.map((value, axis) => value - origin[axis]!));
  const size = largestOf(offsets.flat()) || 1;
  const moved = { ...piece, points: offsets.map((point) => point.map((value) => value / size)) };
  const [parts, weight] = homogeneousParts(moved);
  const first = parts.map((part) => quotientNumerator(part, weight));
  const second = first.map(differentiateBernstein);
  const minor = (a: number, b: number): number[] =>
    subtractBernstein(multiplyBernstein(first[a]!, second[b]!), multiplyBernstein(first[b]!, second[a]!));
  const turn = parts.length === 2 ? [minor(0, 1)] : [minor(1, 2), minor(2, 0), minor(0, 1)];
  return { turn, speedSquared: sumOf(first.map((part) => multiplyBernstein(part, part))), weight };
}

/** A bound of the numerator of curvature for a piece of size 1: rounding is measured against it. */
function turnScale({ weights, degree }: Curve): number {
  return (weights ? Math.max(...weights) ** 4 : 1) * degree ** 3;
}

const sumOf = (parts: readonly (readonly number[])[]): number[] =>
  parts.slice(1).reduce<number[]>((sum, part) => addBernstein(sum, part), parts[0]!.slice());

const largestOf = (values: readonly number[]): number => {
  let size = 0;
  for (const value of values) size = Math.max(size, Math.abs(value));
  return size;
};
