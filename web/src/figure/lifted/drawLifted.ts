import { liftedCurve, pointAt, type Curve, type Point, unlessPole } from '@bogen/core/curve';
import { type View, samplesOf } from '@bogen/core/figure';
import type { Palette } from '../../theme/theme.js';
import type { SpaceProjection } from '../geometry/spaceProjection.js';
import { write } from '../paint/drawText.js';
import { counted, notation } from '../../text/notation.js';

type Context = CanvasRenderingContext2D;
type Plot = (place: Point) => [number, number];

/** A plane curve and what is drawn of it from one dimension up. */
export interface Lifted {
  readonly curve: Curve;
  readonly lifted: Curve;
  /** How high the plane w = 1 stands, in the drawing's unit: w is a ratio, so its scale is free. */
  readonly unit: number;
  /** The corners of the part of the plane w = 1 that is drawn. */
  readonly plane: readonly Point[];
  /** Every place that has to be seen. */
  readonly places: readonly Point[];
}

/** What lies higher runs out of the view along its ray, so that the rest can still be read. */
const highestSeen = 5;

const known = new WeakMap<Curve, { view: View; lifted: Lifted }>();

/** What is drawn of a curve, computed once for each curve and view. */
export function liftedOf(curve: Curve, view: View): Lifted {
  const before = known.get(curve);
  if (before?.view === view) return before.lifted;
  const up = liftedCurve(curve);
  const unit = 0.45 * (view.right - view.left);
  const lifted: Curve = { ...up, points: up.points.map(([x, y, w]) => [x!, y!, w! * unit]) };
  const [xs, ys] = [0, 1].map((axis) => [0, ...curve.points.map((point) => point[axis]!)]) as [
    number[],
    number[],
  ];
  const [left, right, bottom, top] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const margin = 0.06 * Math.max(right - left, top - bottom);
  const plane = [
    [left - margin, bottom - margin, unit],
    [right + margin, bottom - margin, unit],
    [right + margin, top + margin, unit],
    [left - margin, top + margin, unit],
  ];
  const seen = lifted.points.map((point) => {
    const share = Math.min(1, (highestSeen * unit) / Math.abs(point[2]!));
    return point.map((value) => value * share);
  });
  const result = { curve, lifted, unit, plane, places: [[0, 0, 0], ...plane, ...seen] };
  known.set(curve, { view, lifted: result });
  return result;
}

/**
 * The points (w x, w y, w), their polygon and their curve; below or above them the plane w = 1 with the curve as it is
 * drawn in the plane; and the rays from the origin that lead from one to the other.
 */
export function drawLifted(
  context: Context,
  { curve, lifted, unit, plane }: Lifted,
  cursor: number,
  { toScreen }: SpaceProjection,
  palette: Palette,
): void {
  context.lineJoin = 'round';
  const origin: Point = [0, 0, 0];
  const highest = Math.max(unit, ...lifted.points.map(([, , w]) => w!));
  const flat = curve.points.map(([x, y]): Point => [x!, y!, unit]);

  trace(context, [...plane, plane[0]!], toScreen);
  context.fillStyle = palette.tint;
  context.globalAlpha = 0.7;
  context.fill();
  context.globalAlpha = 1;
  stroke(context, palette.strong, 1);
  trace(context, [origin, [0, 0, 1.1 * highest]], toScreen);
  stroke(context, palette.soft, 1);

  /** From the origin to the lifted point and the one in the plane; one below it lies on the other side of the origin. */
  const ray = (up: Point, inPlane: Point): readonly Point[] =>
    up[2]! > unit ? [origin, up] : [up[2]! < 0 ? up : origin, inPlane];
  for (const [k, point] of lifted.points.entries()) {
    trace(context, ray(point, flat[k]!), toScreen);
    stroke(context, palette.strong, 0.75, [2, 3]);
  }
  trace(context, flat, toScreen);
  stroke(context, palette.strong, 1);
  traceSamples(context, curve, toScreen, unit);
  stroke(context, palette.ink, 2);
  for (const point of flat) ring(context, toScreen(point), 2.5, palette.ink, palette.sheet);

  trace(context, lifted.points, toScreen);
  stroke(context, palette.accent, 1);
  traceSamples(context, lifted, toScreen);
  stroke(context, palette.accent, 2.25);
  for (const point of lifted.points) ring(context, toScreen(point), 4, palette.accent, palette.sheet);

  const at = pointAt(lifted, cursor);
  const below = unlessPole(() => pointAt(curve, cursor));
  // At a pole the ray runs beside the plane and never meets it.
  trace(context, below ? ray(at, [...below, unit]) : [origin, at], toScreen);
  stroke(context, palette.ink, 1, [6, 3]);
  dot(context, toScreen(at), 3.5, palette.accent);
  if (below) dot(context, toScreen([...below, unit]), 3.5, palette.ink);
  dot(context, toScreen(origin), 2.5, palette.ink);

  write(context, 'O', toScreen(origin), palette);
  write(context, 'w = 1', toScreen(plane[1]!), palette);
  write(context, 'w', toScreen([0, 0, 1.1 * highest]), palette);
  const heaviest = lifted.points.reduce((best, [, , w], k) => (w! > lifted.points[best]![2]! ? k : best), 0);
  if (curve.weights && lifted.points[heaviest]![2]! > unit * 1.0001) {
    const w = Number(curve.weights[heaviest]!.toPrecision(3));
    write(
      context,
      `${notation().point}${counted(heaviest)}, w = ${w}`,
      toScreen(lifted.points[heaviest]!),
      palette,
    );
  }
}

function trace(context: Context, places: readonly Point[], plot: Plot): void {
  context.beginPath();
  for (const [k, place] of places.entries()) {
    if (k === 0) context.moveTo(...plot(place));
    else context.lineTo(...plot(place));
  }
}

/** A curve through its samples; one of the plane at a height. */
function traceSamples(context: Context, curve: Curve, plot: Plot, height = 0): void {
  const { coordinates, dimension, joined, perSpan } = samplesOf(curve);
  context.beginPath();
  for (let at = 0; at < coordinates.length; at += dimension) {
    const sample = at / dimension;
    const begins = sample % (perSpan + 1) === 0 && !joined[sample / (perSpan + 1)];
    const z = dimension === 3 ? coordinates[at + 2]! : height;
    const [x, y] = plot([coordinates[at]!, coordinates[at + 1]!, z]);
    if (begins) context.moveTo(x, y);
    else context.lineTo(x, y);
  }
}

function stroke(context: Context, color: string, width: number, dash: number[] = []): void {
  context.setLineDash(dash);
  context.strokeStyle = color;
  context.lineWidth = width;
  context.stroke();
  context.setLineDash([]);
}

function dot(context: Context, [x, y]: readonly [number, number], radius: number, color: string): void {
  context.beginPath();
  context.arc(x, y, radius, 0, 2 * Math.PI);
  context.fillStyle = color;
  context.fill();
}

function ring(
  context: Context,
  [x, y]: readonly [number, number],
  radius: number,
  color: string,
  within: string,
): void {
  dot(context, [x, y], radius, within);
  context.strokeStyle = color;
  context.lineWidth = 1.5;
  context.stroke();
}
