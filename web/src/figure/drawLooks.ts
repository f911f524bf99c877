import {
  curvatureExtremes,
  curveOf,
  deBoorConstruction,
  derivativesAt,
  domainOf,
  inflections,
  osculatingCircleAt,
  pointAt,
  spanHulls,
  type Curve,
  type Point,
} from '@bogen/core';
import type { Palette } from '../theme/theme.js';
import type { Plane } from './plane.js';
import type { FigureScene } from './scene.js';

type Context = CanvasRenderingContext2D;

/** The hulls of the spans, behind everything else, in the spans' colours. */
export function drawHulls(context: Context, scene: FigureScene, plane: Plane, palette: Palette): void {
  if (!scene.document.shown.hulls) return;
  const curve = plainCurve(scene);
  if (!curve) return;
  spanHulls(curve).forEach(({ hull }, span) => {
    trace(context, hull, plane);
    context.closePath();
    context.fillStyle = context.strokeStyle = palette.spans[span % palette.spans.length]!;
    context.globalAlpha = 0.1;
    context.fill();
    context.globalAlpha = 0.5;
    context.lineWidth = 1;
    context.stroke();
    context.globalAlpha = 1;
  });
}

/**
 * What is shown of the rail's curve at the cursor and along it: parameter ticks, inflections and extremes
 * of curvature, tangent and normal, the osculating circle, de Boor's construction.
 */
export function drawLooks(context: Context, scene: FigureScene, plane: Plane, palette: Palette): void {
  const curve = plainCurve(scene);
  if (!curve) return;
  const { shown } = scene.document;
  if (shown.ticks) drawTicks(context, curve, plane, palette);
  // Looking for all places costs more than a frame; they come back when the hand lets go.
  if (shown.places && scene.host.settled()) drawPlaces(context, curve, plane, palette);
  if (shown.osculating) drawOsculating(context, curve, scene.cursor, plane, palette);
  if (shown.construction) drawConstruction(context, curve, scene.cursor, plane, palette);
  if (shown.vectors) drawVectors(context, curve, scene.cursor, plane, palette);
}

function plainCurve({ document, evaluation }: FigureScene): Curve | undefined {
  const curve = curveOf(evaluation, document.rail.item);
  return curve?.points[0]!.length === 2 ? curve : undefined;
}

function trace(context: Context, points: readonly Point[], plane: Plane): void {
  context.beginPath();
  points.forEach((point, index) => {
    const [x, y] = plane.toScreen(point);
    if (index === 0) context.moveTo(x, y);
    else context.lineTo(x, y);
  });
}

/** Twenty even steps of the parameter, as short strokes on one side of the curve. */
function drawTicks(context: Context, curve: Curve, plane: Plane, palette: Palette): void {
  const [start, end] = domainOf(curve.knots, curve.degree);
  context.beginPath();
  for (let k = 0; k <= 20; k++) {
    const u = k === 20 ? end : start + ((end - start) * k) / 20;
    const [point, first] = derivativesAt(curve, u, 1) as [Point, Point];
    const speed = Math.hypot(first[0]!, first[1]!);
    if (!(speed > 0)) continue;
    const [x, y] = plane.toScreen(point);
    const [nx, ny] = [-first[1]! / speed, -first[0]! / speed];
    const length = k % 5 === 0 ? 11 : 7;
    context.moveTo(x + 3 * nx, y + 3 * ny);
    context.lineTo(x + length * nx, y + length * ny);
  }
  context.strokeStyle = palette.ink;
  context.lineWidth = 1;
  context.stroke();
}

const known = new WeakMap<Curve, { turning: Point[]; peaks: Point[]; valleys: Point[] }>();

/** An inflection is an S; a peak of curvature a chevron outwards, a valley one with a level foot. */
function drawPlaces(context: Context, curve: Curve, plane: Plane, palette: Palette): void {
  let places = known.get(curve);
  if (!places) {
    const extremes = curvatureExtremes(curve);
    const of = (wanted: 'largest' | 'smallest'): Point[] =>
      extremes.filter(({ kind }) => kind === wanted).map(({ point }) => point);
    places = {
      turning: inflections(curve).map(({ point }) => point),
      peaks: of('largest'),
      valleys: of('smallest'),
    };
    known.set(curve, places);
  }
  context.strokeStyle = palette.ink;
  context.lineWidth = 1.75;
  context.beginPath();
  for (const place of places.turning) {
    const [x, y] = plane.toScreen(place);
    context.moveTo(x - 7, y - 10);
    context.bezierCurveTo(x + 8, y - 16, x - 8, y - 26, x + 7, y - 22);
  }
  for (const place of places.peaks) {
    const [x, y] = plane.toScreen(place);
    context.moveTo(x - 5, y - 9);
    context.lineTo(x, y - 16);
    context.lineTo(x + 5, y - 9);
  }
  for (const place of places.valleys) {
    const [x, y] = plane.toScreen(place);
    context.moveTo(x - 6, y - 9);
    context.lineTo(x + 6, y - 9);
    context.moveTo(x - 4, y - 15);
    context.lineTo(x, y - 10);
    context.lineTo(x + 4, y - 15);
  }
  context.stroke();
}

function drawOsculating(context: Context, curve: Curve, u: number, plane: Plane, palette: Palette): void {
  const circle = osculatingCircleAt(curve, u);
  if (!circle) return;
  const [x, y] = plane.toScreen(circle.centre);
  const radius = circle.radius * plane.scale;
  // Flatter than this it is a line on any screen.
  if (radius > 20_000) return;
  context.beginPath();
  context.arc(x, y, radius, 0, 2 * Math.PI);
  context.moveTo(x - 4, y);
  context.lineTo(x + 4, y);
  context.moveTo(x, y - 4);
  context.lineTo(x, y + 4);
  context.setLineDash([6, 4]);
  context.strokeStyle = palette.ink;
  context.lineWidth = 1;
  context.stroke();
  context.setLineDash([]);
}

/** Every level of de Boor's triangle as a polygon, each fainter than the next, down to the point itself. */
function drawConstruction(context: Context, curve: Curve, u: number, plane: Plane, palette: Palette): void {
  const { levels } = deBoorConstruction(curve, u);
  levels.forEach((level, r) => {
    const points = level.map(({ point }) => point);
    if (r === 0) return;
    trace(context, points, plane);
    context.strokeStyle = palette.accent;
    context.globalAlpha = 0.35 + (0.65 * r) / (levels.length - 1);
    context.lineWidth = 1.25;
    context.stroke();
    for (const point of points) {
      const [x, y] = plane.toScreen(point);
      context.beginPath();
      context.arc(x, y, r === levels.length - 1 ? 4 : 2.75, 0, 2 * Math.PI);
      context.fillStyle = palette.accent;
      context.fill();
    }
    context.globalAlpha = 1;
  });
}

/** Unit tangent and normal at the cursor, each with a small head. */
function drawVectors(context: Context, curve: Curve, u: number, plane: Plane, palette: Palette): void {
  const [, first] = derivativesAt(curve, u, 1) as [Point, Point];
  const speed = Math.hypot(first[0]!, first[1]!);
  if (!(speed > 0)) return;
  const [x, y] = plane.toScreen(pointAt(curve, u));
  const [tx, ty] = [first[0]! / speed, -first[1]! / speed];
  context.strokeStyle = palette.ink;
  context.lineWidth = 1.5;
  context.beginPath();
  for (const [dx, dy] of [
    [tx, ty],
    [ty, -tx],
  ] as const) {
    const [endX, endY] = [x + 46 * dx, y + 46 * dy];
    context.moveTo(x, y);
    context.lineTo(endX, endY);
    context.moveTo(endX - 8 * dx - 4 * dy, endY - 8 * dy + 4 * dx);
    context.lineTo(endX, endY);
    context.lineTo(endX - 8 * dx + 4 * dy, endY - 8 * dy - 4 * dx);
  }
  context.stroke();
}
