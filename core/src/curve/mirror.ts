import { told } from '../told/told.js';
import { closednessOf } from './close.js';
import { dimensionOf, type Curve, type Point } from './curve.js';
import { CurveError } from './error.js';
import { intersectLine } from './intersectLine.js';
import { joinCurves } from './join.js';
import { domainOf } from './knotVector.js';
import { mapDomain, reverseCurve } from './reparametrise.js';
import { clampEnds, extractPart } from './split.js';
import { addScaled, dot, subtract, unit } from './vector.js';

/** A mirror: in the plane a line, in space a plane, by a place on it and the direction across it. */
export interface Mirror {
  readonly place: Point;
  readonly normal: Point;
}

/**
 * The mirror line through two places of the plane.
 * @throws CurveError `argument` where they are one place
 */
export function mirrorThrough(first: Point, second: Point): Mirror {
  const along = subtract(second, first);
  const normal = unit([-along[1]!, along[0]!]);
  if (!normal || along.length !== 2) {
    throw new CurveError('argument', told('mirrorLineEnds'));
  }
  return { place: first, normal };
}

function unitNormal({ place, normal }: Mirror, dimension: number): number[] {
  const direction = unit(normal);
  if (
    !direction ||
    normal.length !== dimension ||
    place.length !== dimension ||
    !place.every(Number.isFinite)
  ) {
    throw new CurveError('argument', told('mirrorCoordinates', { dimension }));
  }
  return direction;
}

/** The signed distance of a place from a mirror, positive on the side that its normal points to. */
export function distanceFromMirror(mirror: Mirror, point: Point): number {
  return dot(subtract(point, mirror.place), unitNormal(mirror, point.length));
}

/**
 * The mirror image of a curve; parameter, knots and weights are the same.
 * @throws CurveError `argument`
 */
export function mirrorCurve(curve: Curve, mirror: Mirror): Curve {
  const normal = unitNormal(mirror, dimensionOf(curve));
  return {
    ...curve,
    points: curve.points.map((point) =>
      addScaled(point, normal, -2 * dot(subtract(point, mirror.place), normal)),
    ),
  };
}

/**
 * The side of a plane curve that lies before its first crossing of a mirror, or after its last one, and
 * what is left over. The half runs towards the mirror.
 * @returns the whole curve and nothing left over where it does not cross the mirror inside its domain
 * @throws CurveError `unsupported` in space
 */
export function halfAtMirror(
  curve: Curve,
  mirror: Mirror,
  keep: 'before' | 'after',
): { readonly half: Curve; readonly goes?: Curve } {
  const [nx, ny] = unitNormal(mirror, dimensionOf(curve)) as [number, number];
  const [x, y] = mirror.place as [number, number];
  const [start, end] = domainOf(curve.knots, curve.degree);
  const margin = 1e-9 * (end - start);
  const crossings = intersectLine(curve, [
    [x, y],
    [x - ny, y + nx],
  ])
    .map(({ parameter }) => parameter)
    .filter((u) => u > start + margin && u < end - margin);
  if (crossings.length === 0) return { half: keep === 'before' ? curve : reverseCurve(curve) };
  const [first, last] = [crossings[0]!, crossings.at(-1)!];
  return keep === 'before'
    ? { half: extractPart(curve, start, first), goes: extractPart(curve, first, end) }
    : { half: reverseCurve(extractPart(curve, last, end)), goes: extractPart(curve, start, last) };
}

/**
 * A symmetric curve of a half and its mirror image in one: the half's end is put on the mirror, and the
 * image runs on from there (what was on the other side is dropped). With the handle before the mirror
 * brought square to it the joint is smooth.
 * @param smooth whether the last handle is brought square to the mirror
 * @throws CurveError `argument`; `unsupported` for a closed curve
 */
export function symmetricCurve(half: Curve, mirror: Mirror, smooth = true): Curve {
  if (closednessOf(half) === 'periodic') {
    throw new CurveError('unsupported', told('mirrorOfClosed'));
  }
  const clamped = clampEnds(half);
  const normal = unitNormal(mirror, dimensionOf(half));
  const height = (point: Point): number => dot(subtract(point, mirror.place), normal);
  const points = clamped.points.slice();
  const last = points.length - 1;
  points[last] = addScaled(points[last]!, normal, -height(points[last]!));
  if (smooth && last >= 2) {
    // Square to the mirror, as far from it as it was.
    points[last - 1] = addScaled(points[last]!, normal, height(points[last - 1]!));
  }
  const own = { ...clamped, points };
  const image = reverseCurve(mirrorCurve(own, mirror));
  const [start, end] = domainOf(own.knots, own.degree);
  const size = Math.max(1, ...points.flat().map(Math.abs));
  return joinCurves(own, mapDomain(image, end, end + (end - start)), 1e-9 * size);
}
