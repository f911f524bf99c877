import { refuseSignedWeights } from './betweenPoles.js';
import { told } from '../told/told.js';
import { dimensionOf, type Curve, type Point } from './curve.js';
import { rootsOfBernstein } from './bernstein.js';
import { decompose } from './decompose.js';
import { CurveError } from './error.js';
import { partsOfEvenWeight } from './evenWeights.js';
import { pointAt } from './evaluate.js';
import { domainOf } from './knotVector.js';
import { cross, dot, subtract } from './vector.js';

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
