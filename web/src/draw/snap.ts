import {
  curveOf,
  distinctPointCount,
  domainOf,
  nearestPoint,
  pointAt,
  type FigureDocument,
  type Evaluation,
  type Point,
} from '@bogen/core';
import { roundPlace } from '../figure/dragging.js';
import type { Plane } from '../figure/plane.js';

/** What a place snapped to, by its word in the catalogue. */
export type SnapKind =
  'peg' | 'start' | 'controlPoint' | 'end' | 'knot' | 'vertical' | 'horizontal' | 'both' | 'curve' | 'grid';

export interface Snapped {
  readonly at: Point;
  readonly kind: SnapKind | null;
  /** Name of what it is. */
  readonly name?: string;
}

/** Pixels within which a place is drawn to something. */
const reach = 10;

/**
 * The place that a pointer means: a reference point, an end, a control point or a knot near it; the upright
 * or level line through a place set before; the nearest place of a curve; a crossing of the grid; in this
 * order.
 * @param places set in this drawing so far; the first of them closes the curve
 */
export function snap(
  pointer: Point,
  places: readonly Point[],
  document: FigureDocument,
  evaluation: Evaluation,
  plane: Plane,
): Snapped {
  const within = reach / plane.scale;
  const far = (point: Point): number => Math.hypot(point[0]! - pointer[0]!, point[1]! - pointer[1]!);
  let best: (Snapped & { far: number }) | undefined;
  const offer = (at: Point, kind: SnapKind, name: string): void => {
    const away = far(at);
    if (away <= within && (!best || away < best.far - 1e-9)) {
      best = { at: [at[0]!, at[1]!], kind, name, far: away };
    }
  };
  const first = places[0];
  if (first && places.length > 2) offer(first, 'start', '');
  const curves = document.items.flatMap((item) => {
    const curve = item.hidden ? undefined : curveOf(evaluation, item.id);
    return curve ? [{ name: item.name, curve }] : [];
  });
  for (const item of document.items) {
    if (item.kind === 'point' && !item.hidden) offer(item.at, 'peg', item.name);
  }
  for (const { name, curve } of curves) {
    const [start, end] = domainOf(curve.knots, curve.degree);
    offer(pointAt(curve, start), 'end', name);
    offer(pointAt(curve, end, 'left'), 'end', name);
    curve.points.slice(0, distinctPointCount(curve)).forEach((point, index) => {
      offer(point, 'controlPoint', `P${index} ${name}`);
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
  const level = places.findLast((place) => Math.abs(place[1]! - pointer[1]!) <= within / 2);
  const upright = places.findLast((place) => Math.abs(place[0]! - pointer[0]!) <= within / 2);
  if (level && upright && level !== upright) {
    return { at: [upright[0]!, level[1]!], kind: 'both' };
  }
  const { grid } = document.view;
  const onGrid = (value: number): number => Math.round(value / grid) * grid;
  const near = (value: number): number => (Math.abs(onGrid(value) - value) <= within ? onGrid(value) : value);
  if (level && level !== places.at(-1)) return { at: [near(pointer[0]!), level[1]!], kind: 'horizontal' };
  if (upright && upright !== places.at(-1)) return { at: [upright[0]!, near(pointer[1]!)], kind: 'vertical' };
  if (level) return { at: [near(pointer[0]!), level[1]!], kind: 'horizontal' };
  if (upright) return { at: [upright[0]!, near(pointer[1]!)], kind: 'vertical' };
  if (best) return best;
  const crossing = [onGrid(pointer[0]!), onGrid(pointer[1]!)];
  if (grid * plane.scale >= 6 && far(crossing) <= within) return { at: crossing, kind: 'grid' };
  return { at: pointer.map(roundPlace), kind: null };
}
