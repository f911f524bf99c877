import { told } from '../told/told.js';
import { dimensionOf, type Curve, type Point } from './curve.js';
import { CurveError } from './error.js';
import { pointAt } from './evaluate.js';
import { intersectLine } from './intersectLine.js';
import { domainOf } from './knotVector.js';
import { extractPart } from './split.js';

/**
 * The parts of a plane curve inside a box along the axes, in the order in which the curve runs through them: the
 * curve is cut where it crosses the lines of the box's sides, and what lies inside is kept.
 * @param corners two opposite corners of the box, in any order
 * @returns curves on their parts of the domain; none where the curve stays outside
 * @throws CurveError `argument` where the box has no area, `unsupported` for a curve in space
 */
export function trimToBox(curve: Curve, [first, second]: readonly [Point, Point]): Curve[] {
  if (dimensionOf(curve) !== 2) {
    throw new CurveError('unsupported', told('trimOfPlaneOnly'));
  }
  const low = [Math.min(first[0]!, second[0]!), Math.min(first[1]!, second[1]!)] as const;
  const high = [Math.max(first[0]!, second[0]!), Math.max(first[1]!, second[1]!)] as const;
  if (!(high[0] > low[0] && high[1] > low[1])) {
    throw new CurveError('argument', told('boxWithoutArea'));
  }
  const [start, end] = domainOf(curve.knots, curve.degree);
  const sides: readonly (readonly [Point, Point])[] = [low, high].flatMap(([x, y]) => [
    [
      [x, 0],
      [x, 1],
    ],
    [
      [0, y],
      [1, y],
    ],
  ]);
  const margin = 1e-9 * (end - start);
  const cuts = sides
    .flatMap((side) => intersectLine(curve, side).map(({ parameter }) => parameter))
    .filter((u) => u > start + margin && u < end - margin)
    .sort((a, b) => a - b);
  const places = [start, ...cuts.filter((u, index) => index === 0 || u - cuts[index - 1]! > margin), end];
  const isInside = (u: number): boolean =>
    pointAt(curve, u).every((value, axis) => value >= low[axis]! && value <= high[axis]!);
  const parts: [number, number][] = [];
  for (let k = 0; k + 1 < places.length; k++) {
    const [from, to] = [places[k]!, places[k + 1]!];
    if (!isInside((from + to) / 2)) continue;
    const last = parts.at(-1);
    // Where it only touches a side it goes on as one part.
    if (last?.[1] === from) last[1] = to;
    else parts.push([from, to]);
  }
  return parts.map(([from, to]) => (from === start && to === end ? curve : extractPart(curve, from, to)));
}
