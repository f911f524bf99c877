import { polesOf, type Curve, type Point } from '@bogen/core/curve';
import type { Palette } from '../../theme/theme.js';
import { shownNumber } from '../../text/number.js';
import type { Projection } from '../geometry/projection.js';
import { arrow } from './arrow.js';
import { write } from './drawText.js';
import { notation } from '../../text/notation.js';

type Pixel = readonly [number, number];

/** Pixels from the edge of the drawing to where a name stands on an asymptote. */
const inset = 26;

/**
 * Where a curve runs to infinity: the line that it runs towards, from edge to edge, with the parameter at both its ends;
 * where there is no such line an arrow in the direction in which it runs.
 */
export function drawPoles(
  context: CanvasRenderingContext2D,
  curve: Curve,
  projection: Projection,
  palette: Palette,
): void {
  context.strokeStyle = context.fillStyle = palette.soft;
  for (const { parameter, direction, asymptote } of polesOf(curve)) {
    if (direction.length !== 2) continue;
    const name = `${notation().parameter} = ${shownNumber(parameter, 2)}: ∞`;
    const along: Pixel = [direction[0]!, -direction[1]!];
    if (!asymptote) {
      const from = projection.toScreen(middleOf(curve.points));
      const to: Pixel = [from[0] + 44 * along[0], from[1] + 44 * along[1]];
      context.beginPath();
      arrow(context, from, to);
      context.lineWidth = 1.25;
      context.stroke();
      write(context, name, to, palette);
      continue;
    }
    const { width, height } = projection;
    const ends = throughBox(projection.toScreen(asymptote), along, width, height);
    if (!ends) continue;
    context.beginPath();
    context.moveTo(...ends[0]);
    context.lineTo(...ends[1]);
    context.setLineDash([7, 4, 1.5, 4]);
    context.lineWidth = 1.25;
    context.stroke();
    context.setLineDash([]);
    const within = throughBox(projection.toScreen(asymptote), along, width, height, inset);
    // At the upper end, since the facts stand below.
    if (within) write(context, name, within[1][1] < within[0][1] ? within[1] : within[0], palette);
  }
}

function middleOf(points: readonly Point[]): Point {
  return [0, 1].map((axis) => points.reduce((sum, point) => sum + point[axis]!, 0) / points.length);
}

/** Where a line enters and leaves the drawing, or a frame within it; nothing where it passes beside. */
function throughBox(
  [x, y]: Pixel,
  [dx, dy]: Pixel,
  width: number,
  height: number,
  frame = 0,
): readonly [Pixel, Pixel] | undefined {
  let [first, last] = [-Infinity, Infinity];
  for (const [at, step, size] of [
    [x, dx, width],
    [y, dy, height],
  ] as const) {
    if (Math.abs(step) < 1e-12) {
      if (at < frame || at > size - frame) return undefined;
      continue;
    }
    const [a, b] = [(frame - at) / step, (size - frame - at) / step];
    first = Math.max(first, Math.min(a, b));
    last = Math.min(last, Math.max(a, b));
  }
  if (!(first < last)) return undefined;
  return [
    [x + first * dx, y + first * dy],
    [x + last * dx, y + last * dy],
  ];
}
