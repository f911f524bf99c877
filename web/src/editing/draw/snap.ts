import {
  derivativesAt,
  distinctPointCount,
  domainOf,
  nearestPoint,
  pointAt,
  type Curve,
  type Point,
} from '@bogen/core/curve';
import { curveOf, type FigureDocument, type Evaluation } from '@bogen/core/figure';
import { roundPlace } from '../../figure/hold/place.js';
import type { Projection } from '../../figure/geometry/projection.js';
import { pointName } from '../../figure/scene/names.js';

/** What a place snapped to, by its word in the catalogue. */
type SnapKind =
  | 'referencePoint'
  | 'start'
  | 'controlPoint'
  | 'end'
  | 'knot'
  | 'vertical'
  | 'horizontal'
  | 'both'
  | 'tangent'
  | 'line'
  | 'through'
  | 'angle'
  | 'curve'
  | 'grid';

export interface Snapped {
  readonly at: Point;
  readonly kind: SnapKind | null;
  /** Name of what it is. */
  readonly name?: string;
}

/** Pixels within which a place snaps to something. */
const reach = 10;

/**
 * The place that a pointer means: a reference point, an end, a control point or a knot near it; the vertical
 * or horizontal line through a place set before; a tangent at a curve's end, the line through the last two places
 * or through the last and a reference point; the nearest place of a curve; a crossing of the grid; an angle
 * of whole 15°; in this order, but for a crossing right under the pointer.
 * @param places set in this drawing so far; the first of them closes the curve
 * @param named the whole figure, by which points are named, where `document` is a part of it
 * @param points more points to snap to, with their names; where they are given nothing is closed
 */
export function snap(
  pointer: Point,
  places: readonly Point[],
  document: FigureDocument,
  evaluation: Evaluation,
  projection: Projection,
  points?: readonly { readonly at: Point; readonly name: string }[],
  named: FigureDocument = document,
): Snapped {
  const within = reach / projection.scale;
  const far = (point: Point): number => Math.hypot(point[0]! - pointer[0]!, point[1]! - pointer[1]!);
  let best: (Snapped & { far: number }) | undefined;
  const offer = (at: Point, kind: SnapKind, name: string): void => {
    const away = far(at);
    if (away <= within && (!best || away < best.far - 1e-9)) {
      best = { at: [at[0]!, at[1]!], kind, name, far: away };
    }
  };
  const first = places[0];
  if (first && places.length > 2 && !points) offer(first, 'start', '');
  for (const { at, name } of points ?? []) offer(at, 'controlPoint', name);
  const curves = document.items.flatMap((item) => {
    const curve = item.hidden ? undefined : curveOf(evaluation, item.id);
    return curve ? [{ id: item.id, name: item.name, curve }] : [];
  });
  for (const item of document.items) {
    if (item.kind === 'point' && !item.hidden) offer(item.at, 'referencePoint', item.name);
  }
  for (const { id, name, curve } of curves) {
    const [start, end] = domainOf(curve.knots, curve.degree);
    offer(pointAt(curve, start), 'end', name);
    offer(pointAt(curve, end, 'left'), 'end', name);
    curve.points.slice(0, distinctPointCount(curve)).forEach((point, index) => {
      offer(point, 'controlPoint', `${pointName(named, id, 'controlPoints', index)} ${name}`);
    });
    for (const knot of new Set(curve.knots)) {
      if (knot > start && knot < end) offer(pointAt(curve, knot), 'knot', name);
    }
  }
  if (best) return best;
  for (const { name, curve } of curves) {
    const { point } = nearestPoint(curve, pointer);
    offer(point, 'curve', name);
  }
  if (best && (best as { far: number }).far < within / 2) return best;
  const horizontal = places.findLast((place) => Math.abs(place[1]! - pointer[1]!) <= within / 2);
  const vertical = places.findLast((place) => Math.abs(place[0]! - pointer[0]!) <= within / 2);
  if (horizontal && vertical && horizontal !== vertical) {
    return { at: [vertical[0]!, horizontal[1]!], kind: 'both' };
  }
  const { grid } = document.view;
  const onGrid = (value: number): number => Math.round(value / grid) * grid;
  const near = (value: number): number => (Math.abs(onGrid(value) - value) <= within ? onGrid(value) : value);
  if (horizontal && horizontal !== places.at(-1))
    return { at: [near(pointer[0]!), horizontal[1]!], kind: 'horizontal' };
  if (vertical && vertical !== places.at(-1))
    return { at: [vertical[0]!, near(pointer[1]!)], kind: 'vertical' };
  if (horizontal) return { at: [near(pointer[0]!), horizontal[1]!], kind: 'horizontal' };
  if (vertical) return { at: [vertical[0]!, near(pointer[1]!)], kind: 'vertical' };
  const crossing = [onGrid(pointer[0]!), onGrid(pointer[1]!)];
  const onCrossing = grid * projection.scale >= 6 ? far(crossing) : Infinity;
  // A crossing right under the pointer is meant, whatever line passes near it.
  if (onCrossing <= within / 2) return { at: crossing, kind: 'grid' };
  const onLine = snapToLine(pointer, places, curves, document, within);
  if (onLine && onLine.kind !== 'angle') return onLine;
  if (best) return best;
  if (onCrossing <= within) return { at: crossing, kind: 'grid' };
  if (onLine) return onLine;
  return { at: pointer.map(roundPlace), kind: null };
}

/** Angles that are whole multiples of this are snapped to. */
const angleStep = 15;

/**
 * The place on a guiding line near the pointer: the tangents at the ends of curves, the line through the
 * last two places, the lines from the last place through reference points and at whole angles.
 */
function snapToLine(
  pointer: Point,
  places: readonly Point[],
  curves: readonly { readonly name: string; readonly curve: Curve }[],
  document: FigureDocument,
  within: number,
): Snapped | undefined {
  const last = places.at(-1);
  let found: (Snapped & { far: number }) | undefined;
  const offer = (from: Point, direction: Point, kind: SnapKind, name: string, reach: number): void => {
    const length = Math.hypot(direction[0]!, direction[1]!);
    if (!(length > 0)) return;
    const [dx, dy] = [direction[0]! / length, direction[1]! / length];
    const along = (pointer[0]! - from[0]!) * dx + (pointer[1]! - from[1]!) * dy;
    const at = [from[0]! + along * dx, from[1]! + along * dy];
    const far = Math.hypot(pointer[0]! - at[0]!, pointer[1]! - at[1]!);
    // Close to where the line starts, any line would do.
    if (far > reach || along < 3 * within || (found && found.far <= far)) return;
    found = { at: at.map(roundPlace), kind, name, far };
  };
  for (const { name, curve } of curves) {
    const [start, end] = domainOf(curve.knots, curve.degree);
    for (const [u, sign] of [
      [start, -1],
      [end, 1],
    ] as const) {
      const [from, first] = derivativesAt(curve, u, 1, u === end ? 'left' : 'right') as [Point, Point];
      // Only a curve that is gone on with, or one that the pointer leaves from, has a tangent to keep.
      const isStart = last && Math.hypot(last[0]! - from[0]!, last[1]! - from[1]!) < 1e-6;
      if (isStart) offer(from, [sign * first[0]!, sign * first[1]!], 'tangent', name, within / 2);
    }
  }
  if (found || !last) return found;
  const before = places.at(-2);
  if (before) offer(last, [last[0]! - before[0]!, last[1]! - before[1]!], 'line', '', within / 2);
  for (const item of document.items) {
    if (item.kind !== 'point' || item.hidden) continue;
    offer(last, [item.at[0]! - last[0]!, item.at[1]! - last[1]!], 'through', item.name, within / 3);
  }
  if (found) return found;
  const angle = (Math.atan2(pointer[1]! - last[1]!, pointer[0]! - last[0]!) * 180) / Math.PI;
  const whole = Math.round(angle / angleStep) * angleStep;
  const radians = (whole * Math.PI) / 180;
  offer(last, [Math.cos(radians), Math.sin(radians)], 'angle', String((whole + 360) % 360), within / 3);
  return found;
}
