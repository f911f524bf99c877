import { told } from '../told/told.js';
import { dimensionOf, type Curve, type Point } from './curve.js';
import { CurveError } from './error.js';
import { pointsAt } from './evaluateMany.js';
import { halvePart, partsOf, type BezierPart } from './subdivide.js';

/** A curve in straight pieces. */
export interface Facets {
  /** One for each corner, ascending; a facet lies between two of them. */
  readonly parameters: readonly number[];
  readonly points: readonly Point[];
  /** The largest distance of the curve from its facets, measured, and where. */
  readonly chordError: number;
  readonly worst: Point;
}

/** No facet is halved more often than this; what is still not flat is smaller than rounding. */
const deepest = 24;
/** More facets than this are refused. */
const mostFacets = 50_000;

/**
 * Straight pieces that stay within a tolerance of the curve: every Bézier piece is halved until its
 * control points lie that near to its chord, which holds the curve there too (convex hull property,
 * P&T 1.3 and 4.6; flatness as in F 5.8 and Lane & Riesenfeld 1980). The error is then measured.
 * @param tolerance in the drawing's unit, above zero
 * @throws CurveError `argument` for a tolerance that is not above zero or asks for too many facets
 */
export function facetsOf(curve: Curve, tolerance: number): Facets {
  if (!(tolerance > 0 && Number.isFinite(tolerance))) {
    throw new CurveError('argument', told('toleranceNotPositive'));
  }
  const parts: BezierPart[] = [];
  const halve = (part: BezierPart, depth: number): void => {
    if (depth >= deepest || flatness(part.points) <= tolerance) {
      parts.push(part);
      if (parts.length > mostFacets) {
        throw new CurveError('argument', told('facetsTooMany', { most: mostFacets }));
      }
      return;
    }
    for (const half of halvePart(part)) halve(half, depth + 1);
  };
  for (const part of partsOf(curve)) halve(part, 0);
  const parameters = [parts[0]!.from, ...parts.map(({ to }) => to)];
  const points = [parts[0]!.points[0]!, ...parts.map(({ points: own }) => own.at(-1)!)];
  return { parameters, points, ...measure(curve, parts) };
}

/** The largest distance of inner control points from the chord. */
function flatness(points: readonly Point[]): number {
  const [first, last] = [points[0]!, points.at(-1)!];
  let largest = 0;
  for (let k = 1; k < points.length - 1; k++) {
    largest = Math.max(largest, distanceFromSegment(points[k]!, first, last));
  }
  return largest;
}

const places = 16;

function measure(curve: Curve, parts: readonly BezierPart[]): { chordError: number; worst: Point } {
  const inner = parts.flatMap(({ from, to }) =>
    Array.from({ length: places - 1 }, (_, k) => from + ((k + 1) / places) * (to - from)),
  );
  const dimension = dimensionOf(curve);
  const found = pointsAt(curve, inner);
  let chordError = 0;
  let worst = parts[0]!.points[0]!;
  for (let k = 0; k < inner.length; k++) {
    const { points } = parts[Math.floor(k / (places - 1))]!;
    const point = Array.from(found.subarray(k * dimension, (k + 1) * dimension));
    const distance = distanceFromSegment(point, points[0]!, points.at(-1)!);
    if (distance > chordError) [chordError, worst] = [distance, point];
  }
  return { chordError, worst };
}

/** The distance of a place from the straight piece between two others. */
export function distanceFromSegment(point: Point, first: Point, last: Point): number {
  let [along, length, square] = [0, 0, 0];
  for (let axis = 0; axis < point.length; axis++) {
    const step = last[axis]! - first[axis]!;
    along += (point[axis]! - first[axis]!) * step;
    length += step * step;
  }
  const share = length > 0 ? Math.min(1, Math.max(0, along / length)) : 0;
  for (let axis = 0; axis < point.length; axis++) {
    const gap = point[axis]! - first[axis]! - share * (last[axis]! - first[axis]!);
    square += gap * gap;
  }
  return Math.sqrt(square);
}
