import { derivativesAt, spansOf, type Curve, type Point } from '@bogen/core/curve';
import type { Palette } from '../../theme/theme.js';
import { arrow, type Pixel } from './arrow.js';
import { write } from './drawText.js';
import type { Projection } from '../geometry/projection.js';

type Context = CanvasRenderingContext2D;

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
