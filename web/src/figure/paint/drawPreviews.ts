import { samplesOf } from '@bogen/core/figure';
import type { Curve, Point } from '@bogen/core/curve';
import type { Palette } from '../../theme/theme.js';
import { addSamples, tracePoints } from '../geometry/path.js';
import type { Projection } from '../geometry/projection.js';
import type { FigureScene } from '../scene/scene.js';
import type { FigurePreview } from '../scene/sceneParts.js';
import { arrow } from './arrow.js';
import { dot } from './dot.js';
import { drawTicks } from './drawTicks.js';
import { write } from './drawText.js';

type Context = CanvasRenderingContext2D;

/** What is being drawn, before it is part of the document: its points as small crosses, the resulting curve in the accent. */
export function drawPreviews(
  context: Context,
  scene: FigureScene,
  projection: Projection,
  palette: Palette,
): void {
  for (const preview of scene.previews.all) {
    drawPreview(context, preview, projection, palette);
    if (preview.parameter && preview.curve) {
      const before = scene.railCurve;
      if (before) drawTicks(context, before, projection, palette.ink);
      drawTicks(context, preview.curve, projection, palette.accent, -1);
    }
  }
}

function drawPreview(
  context: Context,
  { curve, curves, arrows, image, axis, goes, places, pulls, polygon, stroke, numbers }: FigurePreview,
  projection: Projection,
  palette: Palette,
): void {
  if (polygon && places.length > 1) {
    tracePoints(context, places, projection);
    context.strokeStyle = palette.strong;
    context.lineWidth = 1;
    context.stroke();
  }
  if (stroke && stroke.length > 1) {
    tracePoints(context, stroke, projection);
    context.strokeStyle = palette.soft;
    context.lineWidth = 1.5;
    context.stroke();
  }
  for (const { curve: part, color } of curves ?? [])
    drawPart(context, part, palette.items[color], projection);
  for (const gone of goes ?? []) drawGoing(context, gone, projection, palette);
  if (axis) drawAxis(context, axis, projection, palette);
  for (const [part, dash] of [
    [curve, []],
    [image, [7, 4]],
  ] as const) {
    if (!part) continue;
    traceCurve(context, part, projection);
    context.setLineDash([...dash]);
    context.strokeStyle = palette.accent;
    context.lineWidth = 2;
    context.stroke();
    context.setLineDash([]);
  }
  context.strokeStyle = palette.accent;
  context.lineWidth = 1;
  for (const [from, to] of pulls) {
    tracePoints(context, [from, to], projection);
    context.stroke();
    for (const end of [from, to]) dot(context, projection.toScreen(end), 2.5, palette.accent);
  }
  context.lineWidth = 1.5;
  context.beginPath();
  places.forEach((place, index) => {
    const [x, y] = projection.toScreen(place);
    // The first is larger: there the curve starts, and there it can close.
    const arm = index === 0 ? 6 : 4;
    context.moveTo(x - arm, y - arm);
    context.lineTo(x + arm, y + arm);
    context.moveTo(x - arm, y + arm);
    context.lineTo(x + arm, y - arm);
  });
  context.stroke();
  context.strokeStyle = palette.accent;
  context.lineWidth = 1.75;
  for (const [from, to] of arrows ?? []) {
    const ends = [projection.toScreen(from), projection.toScreen(to)] as const;
    if (Math.hypot(ends[1][0] - ends[0][0], ends[1][1] - ends[0][1]) <= 2) continue;
    context.beginPath();
    arrow(context, ...ends);
    context.stroke();
  }
  for (const { at, text } of numbers ?? []) {
    dot(context, projection.toScreen(at), 3.5, palette.accent);
    write(context, text, projection.toScreen(at), palette);
  }
}

function traceCurve(context: Context, curve: Curve, projection: Projection): void {
  const samples = samplesOf(curve);
  context.beginPath();
  addSamples(context, samples, projection, 0, samples.parameters.length - 1);
}

/** What will be removed is crossed out along its length. */
function drawGoing(context: Context, curve: Curve, projection: Projection, palette: Palette): void {
  traceCurve(context, curve, projection);
  context.strokeStyle = palette.sheet;
  context.lineWidth = 5;
  context.globalAlpha = 0.75;
  context.stroke();
  context.globalAlpha = 1;
  const { coordinates, dimension } = samplesOf(curve);
  let from: readonly [number, number] | undefined;
  context.beginPath();
  for (let at = 0; at < coordinates.length; at += dimension) {
    const [x, y] = projection.toScreen([coordinates[at]!, coordinates[at + 1]!]);
    if (from && Math.hypot(x - from[0], y - from[1]) < 16) continue;
    from = [x, y];
    context.moveTo(x - 4, y - 4);
    context.lineTo(x + 4, y + 4);
    context.moveTo(x - 4, y + 4);
    context.lineTo(x + 4, y - 4);
  }
  context.strokeStyle = palette.ink;
  context.lineWidth = 1.25;
  context.stroke();
}

/** A mirror line from edge to edge. */
function drawAxis(
  context: Context,
  [a, b]: readonly [Point, Point],
  projection: Projection,
  palette: Palette,
): void {
  const far = projection.width + projection.height;
  const [x, y] = projection.toScreen(a);
  const [toX, toY] = projection.toScreen(b);
  const length = Math.hypot(toX - x, toY - y);
  if (!(length > 0)) return;
  const [dx, dy] = [((toX - x) / length) * far, ((toY - y) / length) * far];
  context.beginPath();
  context.moveTo(x - dx, y - dy);
  context.lineTo(x + dx, y + dy);
  context.setLineDash([12, 3, 2, 3]);
  context.strokeStyle = palette.ink;
  context.lineWidth = 1;
  context.stroke();
  context.setLineDash([]);
}

/** A curve in its own colour, with its polygon and its points. */
function drawPart(context: Context, curve: Curve, color: string, projection: Projection): void {
  context.strokeStyle = color;
  context.lineWidth = 1;
  tracePoints(context, curve.points, projection);
  context.stroke();
  for (const point of curve.points) {
    const [x, y] = projection.toScreen(point);
    context.beginPath();
    context.arc(x, y, 3.5, 0, 2 * Math.PI);
    context.stroke();
  }
  traceCurve(context, curve, projection);
  context.lineWidth = 2.25;
  context.stroke();
}
