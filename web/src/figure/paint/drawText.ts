import type { Palette } from '../../theme/theme.js';

/** A short text below and to the right of a point, on a clear background. */
export function write(
  context: CanvasRenderingContext2D,
  text: string,
  [x, y]: readonly [number, number],
  palette: Palette,
  font = '11px "JetBrains Mono Variable", monospace',
): void {
  context.font = font;
  context.textAlign = 'left';
  context.textBaseline = 'middle';
  context.lineWidth = 3;
  context.strokeStyle = palette.sheet;
  context.strokeText(text, x + 8, y + 10);
  context.fillStyle = palette.ink;
  context.fillText(text, x + 8, y + 10);
}
