import { told } from '../told/told.js';
import { arcLengthTable } from './arcLength.js';
import { bridgeCurves } from './bridge.js';
import { circularArc } from './circle.js';
import { closednessOf, moveSeam } from './close.js';
import { conicFromTangents } from './conic.js';
import { continuityTolerances, knotJumps } from './continuity.js';
import { dimensionOf, type Curve, type Point } from './curve.js';
import { CurveError } from './error.js';
import { derivativesAt } from './evaluate.js';
import { joinCurves } from './join.js';
import { domainOf } from './knotVector.js';
import { mapDomain } from './reparametrise.js';
import { clampEnds, extractPart } from './split.js';
import { addScaled, angleBetween, cross, distance, lengthOf, scaled, subtract, unit } from './vector.js';

/** How a corner is rounded. */
export type Rounding =
  /** By an arc of this radius, tangent to both sides. */
  | { readonly way: 'byRadius'; readonly radius: number }
  /** By a conic that is tangent to both sides, at a distance along the curve from the corner. */
  | { readonly way: 'byRho'; readonly setback: number; readonly rho: number }
  /** By a Bézier piece that continues both sides up to an order. */
  | {
      readonly way: 'byBridge';
      readonly setback: number;
      readonly order: 1 | 2 | 3;
      readonly strength: number;
    };

/** A curve one of whose corners was rounded. */
export interface RoundedCorner {
  readonly curve: Curve;
  /** What took the place of the corner. */
  readonly piece: Curve;
  /** What was cut off on either side of it, up to the corner and from it on. */
  readonly cut: readonly [Curve, Curve];
}

/**
 * The parameters of a plane curve's corners, ascending: interior knots at which its direction jumps, and first its
 * start where both ends meet in a corner.
 */
export function cornersOf(curve: Curve): number[] {
  const clamped = clampEnds(curve);
  const [start, end] = domainOf(clamped.knots, clamped.degree);
  const inner = knotJumps(clamped)
    .filter(({ direction, position }) => direction > continuityTolerances.direction && position === 0)
    .map(({ knot }) => knot)
    .filter((knot) => knot > start && knot < end);
  if (closednessOf(clamped) === 'open') return inner;
  const seam = angleBetween(
    derivativesAt(clamped, end, 1, 'left')[1]!,
    derivativesAt(clamped, start, 1, 'right')[1]!,
  );
  return seam > continuityTolerances.direction ? [start, ...inner] : inner;
}

/** A corner with the two stretches that lead to it and away from it, up to the next corners. */
interface Corner {
  readonly curve: Curve;
  readonly at: number;
  readonly before: number;
  readonly after: number;
  /** 1 where the curve turns to the left there, −1 to the right. */
  readonly side: 1 | -1;
  /** By how much it turns, in radians from 0 to π. */
  readonly turn: number;
}

/**
 * A plane curve with one of its corners rounded; both sides are trimmed where the rounding begins and stay as they are
 * otherwise. An arc's centre is as far from both sides as its radius: where their offsets meet, found by Newton's method
 * from the corner's tangents (F 12).
 * @param u the corner's parameter. At the start of a closed curve the start moves to the middle of the domain.
 * @throws CurveError `unsupported` for a curve in space, `argument` where there is no corner, where the rounding finds no
 * room on its sides, or where the tangents of a conic do not meet
 */
export function roundCorner(curve: Curve, u: number, rounding: Rounding): RoundedCorner {
  const corner = cornerAt(curve, u);
  const size = rounding.way === 'byRadius' ? rounding.radius : rounding.setback;
  if (!(size > 0 && Number.isFinite(size))) {
    throw new CurveError('argument', told('roundingSize', { size }), { value: size });
  }
  const trims = rounding.way === 'byRadius' ? trimsOfArc(corner, size) : trimsAtSetback(corner, size);
  if (!trims) {
    const room = rounding.way === 'byRadius' ? roomForArc(corner, size) : roomForSetback(corner);
    throw new CurveError('argument', told('roundingWithoutRoom', { size, room: roundedDown(room) }), {
      value: size,
    });
  }
  const { curve: whole } = corner;
  const [start, end] = domainOf(whole.knots, whole.degree);
  const before = extractPart(whole, start, trims[0]);
  const after = extractPart(whole, trims[1], end);
  const free = roundingPiece(corner, trims, before, after, rounding);
  const points = [before.points.at(-1)!, ...free.points.slice(1, -1), after.points[0]!];
  // As long in the parameter as makes it run about as fast as its neighbours.
  const speed =
    lengthOf(derivativesAt(before, trims[0], 1, 'left')[1]!) +
    lengthOf(derivativesAt(after, trims[1], 1)[1]!);
  const own = lengthOf(derivativesAt(free, 0, 1)[1]!) + lengthOf(derivativesAt(free, 1, 1, 'left')[1]!);
  const width = speed > 0 && own > 0 ? own / speed : trims[1] - trims[0];
  const piece = mapDomain({ ...free, points }, trims[0], trims[0] + width);
  const tolerance = 1e-9 * Math.max(1, ...whole.points.flat().map(Math.abs));
  return {
    curve: joinCurves(joinCurves(before, piece, tolerance), after, tolerance),
    piece,
    cut: [extractPart(whole, trims[0], corner.at), extractPart(whole, corner.at, trims[1])],
  };
}

/** The radius or setback with which the rounding of a corner begins as near as it can to a place. */
export function roundingSizeFor(curve: Curve, u: number, way: Rounding['way'], to: Point): number {
  const corner = cornerAt(curve, u);
  const { curve: whole, at, before } = corner;
  // The place before the corner that is nearest, by its distance from the corner along the tangent there.
  const [place, slope] = derivativesAt(whole, at, 1, 'left');
  const back = unit(slope!)!;
  const setback = Math.max(
    1e-3 * lengthOf(slope!) * (at - before),
    back.reduce((sum, value, axis) => sum - value * (to[axis]! - place![axis]!), 0),
  );
  const size = way === 'byRadius' ? setback / Math.tan(corner.turn / 2) : setback;
  const room = way === 'byRadius' ? roomForArc(corner, size) : roomForSetback(corner);
  return Math.min(Number(size.toPrecision(3)), roundedDown(room));
}

function cornerAt(given: Curve, u: number): Corner {
  if (dimensionOf(given) !== 2) throw new CurveError('unsupported', told('roundingOfPlaneOnly'));
  const clamped = clampEnds(given);
  const [start, end] = domainOf(clamped.knots, clamped.degree);
  const near = 1e-9 * (end - start);
  const all = cornersOf(clamped);
  const found = all.find((at) => Math.abs(at - u) <= near);
  if (found === undefined) throw new CurveError('argument', told('noCorner', { parameter: u }), { value: u });
  const atSeam = found === start;
  const curve = atSeam ? moveSeam(clamped, (start + end) / 2) : clamped;
  const at = atSeam ? end : found;
  const [first, last] = domainOf(curve.knots, curve.degree);
  const others = atSeam ? cornersOf(curve) : all;
  const [incoming, outgoing] = [
    derivativesAt(curve, at, 1, 'left')[1]!,
    derivativesAt(curve, at, 1, 'right')[1]!,
  ];
  const turn = angleBetween(incoming, outgoing);
  if (!(turn > continuityTolerances.direction) || turn > Math.PI - 1e-6) {
    throw new CurveError('argument', told('cornerTurnsBack', { parameter: u }), { value: u });
  }
  return {
    curve,
    at,
    before: Math.max(first, ...others.filter((other) => other < at - near)),
    after: Math.min(last, ...others.filter((other) => other > at + near)),
    side: cross(incoming, outgoing) > 0 ? 1 : -1,
    turn,
  };
}

/** A number in three digits that is not larger than it. */
function roundedDown(value: number): number {
  if (!(value > 0)) return 0;
  const unit = 10 ** (Math.floor(Math.log10(value)) - 2);
  return Number((Math.floor(value / unit) * unit).toPrecision(3));
}

/** Where the sides are trimmed for an arc, or `undefined` where it has no room on them. */
function trimsOfArc(
  { curve, at, before, after, side, turn }: Corner,
  radius: number,
): [number, number] | undefined {
  const [incoming, outgoing] = [derivativesAt(curve, at, 1, 'left')[1]!, derivativesAt(curve, at, 1)[1]!];
  const setback = radius * Math.tan(turn / 2);
  const clamp = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));
  let u = clamp(at - setback / lengthOf(incoming), before, at);
  let v = clamp(at + setback / lengthOf(outgoing), at, after);
  const size = Math.max(radius, ...curve.points.flat().map(Math.abs));
  for (let step = 0; step < 50; step++) {
    const [a, b] = [offsetAt(curve, u, 'left', side * radius), offsetAt(curve, v, 'right', side * radius)];
    if (!a || !b) return undefined;
    const off = subtract(a.place, b.place);
    if (lengthOf(off) <= 1e-14 * size) break;
    const determinant = -cross(a.slope, b.slope);
    if (!(Math.abs(determinant) > 1e-14 * lengthOf(a.slope) * lengthOf(b.slope))) return undefined;
    const [nextU, nextV] = [
      clamp(u + cross(off, b.slope) / determinant, before, at),
      clamp(v + cross(off, a.slope) / determinant, at, after),
    ];
    if (nextU === u && nextV === v) break;
    [u, v] = [nextU, nextV];
  }
  const [a, b] = [offsetAt(curve, u, 'left', side * radius), offsetAt(curve, v, 'right', side * radius)];
  const margin = 1e-9;
  const inside = u > before + margin * (at - before) && u < at && v > at && v < after - margin * (after - at);
  return a && b && inside && distance(a.place, b.place) <= 1e-11 * size ? [u, v] : undefined;
}

/** The point of a curve's offset to its left, and how fast it moves with the parameter. */
function offsetAt(
  curve: Curve,
  u: number,
  from: 'left' | 'right',
  by: number,
): { readonly place: Point; readonly slope: Point } | undefined {
  const [point, first, second] = derivativesAt(curve, u, 2, from) as [Point, Point, Point];
  const speed = lengthOf(first);
  if (!(speed > 0)) return undefined;
  const curvature = cross(first, second) / speed ** 3;
  return {
    place: [point[0]! - (by * first[1]!) / speed, point[1]! + (by * first[0]!) / speed],
    slope: scaled(first, 1 - by * curvature),
  };
}

/** The largest radius below one that was too large, to two digits and a half. */
function roomForArc(corner: Corner, radius: number): number {
  if (trimsOfArc(corner, radius)) return radius;
  let [low, high] = [0, radius];
  for (let step = 0; step < 30 && high - low > 1e-4 * high; step++) {
    const middle = (low + high) / 2;
    if (trimsOfArc(corner, middle)) low = middle;
    else high = middle;
  }
  return low;
}

function trimsAtSetback(corner: Corner, setback: number): [number, number] | undefined {
  if (!(setback < roomForSetback(corner))) return undefined;
  const { at, before, after, curve } = corner;
  const [left, right] = [extractPart(curve, before, at), extractPart(curve, at, after)].map((part) =>
    arcLengthTable(part),
  );
  return [left!.parameterAt(left!.length - setback), right!.parameterAt(setback)];
}

/** The length of the shorter side of a corner. */
function roomForSetback({ curve, at, before, after }: Corner): number {
  return Math.min(
    arcLengthTable(extractPart(curve, before, at)).length,
    arcLengthTable(extractPart(curve, at, after)).length,
  );
}

/** What comes in place of the corner, on the domain from 0 to 1. */
function roundingPiece(
  { curve, side }: Corner,
  [u, v]: readonly [number, number],
  before: Curve,
  after: Curve,
  rounding: Rounding,
): Curve {
  if (rounding.way === 'byBridge') {
    const { order, strength } = rounding;
    return bridgeCurves(
      { curve: before, end: 'end', order, strength },
      { curve: after, end: 'start', order, strength },
    );
  }
  const [from, incoming] = derivativesAt(curve, u, 1, 'left') as [Point, Point];
  const [to, outgoing] = derivativesAt(curve, v, 1, 'right') as [Point, Point];
  if (rounding.way === 'byRho') {
    // Where the tangents at both trims meet; in front of the one and behind the other.
    const turn = cross(incoming, outgoing);
    const way = subtract(to, from);
    const [ahead, behind] = [cross(way, outgoing) / turn, cross(way, incoming) / turn];
    if (!(ahead > 0 && behind < 0 && Number.isFinite(ahead) && Number.isFinite(behind))) {
      throw new CurveError('argument', told('roundingTangents'));
    }
    return conicFromTangents(from, addScaled(from, incoming, ahead), to, rounding.rho);
  }
  const { radius } = rounding;
  const centre = offsetAt(curve, u, 'left', side * radius)!.place;
  const x = unit(subtract(from, centre))!;
  const spoke = unit(subtract(to, centre))!;
  const sweep = Math.atan2(side * cross(x, spoke), x[0]! * spoke[0]! + x[1]! * spoke[1]!);
  const place = { centre, radius, x, y: [-side * x[1]!, side * x[0]!] };
  return circularArc(place, 0, sweep > 0 ? sweep : sweep + 2 * Math.PI);
}
