import { derivativesAt, spansOf, type Curve, type Point } from '@bogen/core/curve';
import type { Palette } from '../../theme/theme.js';
import { write } from './drawText.js';
import type { Projection } from '../geometry/projection.js';

type Context = CanvasRenderingContext2D;
export type Pixel = readonly [number, number];

/** A line with a small head at its end. */
export function arrow(context: Context, [x, y]: Pixel, [endX, endY]: Pixel): void {
  const length = Math.hypot(endX - x, endY - y);
  if (length < 1) return;
  const [dx, dy] = [(endX - x) / length, (endY - y) / length];
  const head = Math.min(8, length / 2);
  context.moveTo(x, y);
  context.lineTo(endX, endY);
  context.moveTo(endX - head * dx - (head / 2) * dy, endY - head * dy + (head / 2) * dx);
  context.lineTo(endX, endY);
  context.lineTo(endX - head * dx + (head / 2) * dy, endY - head * dy - (head / 2) * dx);
}

/**
 * First and second derivative at the cursor. They are drawn as long as the legs of a polygon would be:
 * h C′/p and h² C″/(p (p − 1)) with the span's length h; their true values stand on the rail.
 */
export function drawDerivatives(
  context: Context,
  curve: Curve,
  u: number,
  projection: Projection,
  palette: Palette,
): void {
  const { degree } = curve;
  const span =
    spansOf(curve.knots, degree).find(({ end }) => u < end) ?? spansOf(curve.knots, degree).at(-1)!;
  const h = span.end - span.start;
  const [at, first, second] = derivativesAt(curve, u, 2) as [Point, Point, Point];
  const from = projection.toScreen(at);
  const to = (vector: Point, factor: number): Pixel =>
    projection.toScreen([at[0]! + factor * vector[0]!, at[1]! + factor * vector[1]!]);
  const ends: [Pixel, string][] = [[to(first, h / degree), 'C′']];
  if (degree > 1) ends.push([to(second, (h * h) / (degree * (degree - 1))), 'C″']);
  context.strokeStyle = palette.ink;
  for (const [end, name] of ends) {
    context.beginPath();
    context.setLineDash(name === 'C′' ? [] : [5, 3]);
    context.lineWidth = 1.75;
    arrow(context, from, end);
    context.stroke();
    context.setLineDash([]);
    write(context, name, end, palette, '13px "Literata Variable", serif');
  }
}
