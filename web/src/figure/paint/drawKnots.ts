import { derivativesAt, interiorKnots, type Curve, unlessPole } from '@bogen/core/curve';
import { drawJump, jumpsOf, distinctKnotsOf, samplesOf } from '@bogen/core/figure';
import type { Palette } from '../../theme/theme.js';
import type { Projection } from '../geometry/projection.js';
import type { Context, SpanPart } from './spanPart.js';

/** A tick across the curve at each interior knot; multiplicity m is m close ticks. What jumps there has its mark beside it. */
export function drawKnots(
  context: Context,
  curve: Curve,
  projection: Projection,
  palette: Palette,
  part: SpanPart | undefined,
): void {
  const jumps = jumpsOf(curve);
  context.strokeStyle = palette.ink;
  context.fillStyle = palette.ink;
  context.lineWidth = 1.5;
  context.lineCap = 'butt';
  const { coordinates, tangents, perSpan, dimension, spanOf } = samplesOf(curve);
  const knots = interiorKnots(curve.knots, curve.degree);
  // A knot at the end of a part belongs to the spans within: what jumps there can be another.
  const isDrawn = (index: number): boolean =>
    !part || part.outside !== (index + 1 >= part.first && index + 1 <= part.end);
  const placed = knots.flatMap(({ value, multiplicity }, index) => {
    if (!isDrawn(index)) return [];
    // Where a span begins there is a sample, with the place and the direction from the right.
    const begins = spanOf.length === knots.length + 1 ? index + 1 : spanOf.indexOf(index + 1);
    const at = begins * (perSpan + 1) * dimension;
    if (begins < 0) return [];
    const [tx, ty] = [tangents[at]!, tangents[at + 1]!];
    if (tx === 0 && ty === 0) return [];
    const x = projection.screenX(coordinates[at]!);
    const y = projection.screenY(coordinates[at + 1]!);
    return [{ value, multiplicity, x, y, along: [tx, -ty] as const }];
  });
  context.beginPath();
  for (const { multiplicity, x, y, along } of placed) {
    for (let tick = 0; tick < multiplicity; tick++) {
      const shift = (tick - (multiplicity - 1) / 2) * 4;
      const cx = x + along[0] * shift;
      const cy = y + along[1] * shift;
      context.moveTo(cx - along[1] * 8, cy + along[0] * 8);
      context.lineTo(cx + along[1] * 8, cy - along[0] * 8);
    }
  }
  context.stroke();
  for (const { value, x, y, along } of placed) {
    const jump = jumps.get(value);
    const up = [along[1], -along[0]] as const;
    if (jump) drawJump(context, jump, x + up[0] * 13, y + up[1] * 13, up);
  }
  context.lineCap = 'round';
}

/** A small wedge at the start, pointing along the curve. */
export function drawStart(context: Context, curve: Curve, projection: Projection, palette: Palette): void {
  const start = distinctKnotsOf(curve).find(
    ({ first, multiplicity }) => first + multiplicity > curve.degree,
  )!.value;
  const [point, first] = unlessPole(() => derivativesAt(curve, start, 1)) ?? [];
  if (!point || !first) return;
  const speed = Math.hypot(first[0]!, first[1]!);
  if (speed === 0) return;
  const [x, y] = projection.toScreen(point);
  const [ax, ay] = [first[0]! / speed, -first[1]! / speed];
  context.beginPath();
  context.moveTo(x + ax * 20, y + ay * 20);
  context.lineTo(x + ax * 9 - ay * 4, y + ay * 9 + ax * 4);
  context.lineTo(x + ax * 9 + ay * 4, y + ay * 9 - ax * 4);
  context.closePath();
  context.fillStyle = palette.ink;
  context.fill();
}
