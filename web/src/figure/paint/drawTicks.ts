import { derivativesAt, domainOf, type Curve, unlessPole } from '@bogen/core/curve';
import type { Projection } from '../geometry/projection.js';

type Context = CanvasRenderingContext2D;

/** Twenty uniform steps of the parameter, as short strokes to the left of the curve, or to its right. */
export function drawTicks(
  context: Context,
  curve: Curve,
  projection: Projection,
  color: string,
  side: 1 | -1 = 1,
): void {
  const [start, end] = domainOf(curve.knots, curve.degree);
  context.beginPath();
  for (let k = 0; k <= 20; k++) {
    const u = k === 20 ? end : start + ((end - start) * k) / 20;
    const [point, first] = unlessPole(() => derivativesAt(curve, u, 1)) ?? [];
    if (!point || !first) continue;
    const speed = Math.hypot(first[0]!, first[1]!);
    if (!(speed > 0)) continue;
    const [x, y] = projection.toScreen(point);
    const [nx, ny] = [(-side * first[1]!) / speed, (-side * first[0]!) / speed];
    const length = k % 5 === 0 ? 11 : 7;
    context.moveTo(x + 3 * nx, y + 3 * ny);
    context.lineTo(x + length * nx, y + length * ny);
  }
  context.strokeStyle = color;
  context.lineWidth = 1;
  context.stroke();
}
