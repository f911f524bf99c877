import type { View } from '@bogen/core';
import type { Palette } from '../theme/theme.js';
import type { Plane } from './plane.js';

/** The sheet's colour with the crosses of the grid, as pixels to copy. */
export function drawGround({ grid }: View, plane: Plane, palette: Palette): ImageBitmap {
  const ratio = window.devicePixelRatio || 1;
  const canvas = new OffscreenCanvas(Math.ceil(plane.width * ratio), Math.ceil(plane.height * ratio));
  const context = canvas.getContext('2d', { alpha: false })!;
  context.scale(ratio, ratio);
  context.fillStyle = palette.sheet;
  context.fillRect(0, 0, plane.width, plane.height);
  // Crosses closer than this would be a grey veil.
  if (grid * plane.scale >= 6) {
    const [left, top] = plane.toPlane(0, 0);
    const [right, bottom] = plane.toPlane(plane.width, plane.height);
    context.beginPath();
    for (let x = Math.ceil(left / grid) * grid; x <= right; x += grid) {
      for (let y = Math.ceil(bottom / grid) * grid; y <= top; y += grid) {
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
