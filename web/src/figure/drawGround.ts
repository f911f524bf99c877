import type { View } from '@bogen/core';
import type { Palette } from '../theme/theme.js';
import type { Plane } from './plane.js';

/** Distance of the grid's crosses: the document's, in tens or tenths where those would be too close or too far. */
export function gridStep(grid: number, scale: number): number {
  let step = grid;
  while (step * scale < 8) step *= 10;
  while (step * scale > 120) step /= 10;
  return step;
}

/** The sheet's colour with the crosses of the grid, as pixels to copy. */
export function drawGround({ grid }: View, plane: Plane, palette: Palette): ImageBitmap {
  const ratio = window.devicePixelRatio || 1;
  const canvas = new OffscreenCanvas(Math.ceil(plane.width * ratio), Math.ceil(plane.height * ratio));
  const context = canvas.getContext('2d', { alpha: false })!;
  context.scale(ratio, ratio);
  context.fillStyle = palette.sheet;
  context.fillRect(0, 0, plane.width, plane.height);
  // Crosses closer than this would be a grey veil.
  // Coarser by tens where the figure is zoomed far out.
  const step = gridStep(grid, plane.scale);
  if (step * plane.scale >= 6) {
    const [left, top] = plane.toPlane(0, 0);
    const [right, bottom] = plane.toPlane(plane.width, plane.height);
    context.beginPath();
    for (let x = Math.ceil(left / step) * step; x <= right; x += step) {
      for (let y = Math.ceil(bottom / step) * step; y <= top; y += step) {
        const [a, b] = plane.toScreen([x, y]);
        context.moveTo(a - 2, b);
        context.lineTo(a + 2, b);
        context.moveTo(a, b - 2);
        context.lineTo(a, b + 2);
      }
    }
    context.strokeStyle = palette.line;
    context.lineWidth = 1;
    context.stroke();
  }
  return canvas.transferToImageBitmap();
}
