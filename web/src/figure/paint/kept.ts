import { resolution } from './canvas.js';

/** Something drawn, and what it was drawn from. */
export interface Kept {
  readonly image: ImageBitmap;
  readonly parts: readonly unknown[];
}

export const isSame = (parts: readonly unknown[], others: readonly unknown[]): boolean =>
  parts.length === others.length && parts.every((part, k) => part === others[k]);

/** What was drawn, where it was drawn from the same; else it is drawn anew. */
export function kept(before: Kept | undefined, parts: readonly unknown[], draw: () => ImageBitmap): Kept {
  if (before && isSame(parts, before.parts)) return before;
  before?.image.close();
  return { image: draw(), parts };
}

/**
 * A drawing of this size in dots, at the screen's resolution, as pixels to copy. It is opaque unless `alpha` is
 * asked for.
 * @param dot CSS pixels to a dot
 */
export function drawBitmap(
  width: number,
  height: number,
  draw: (context: CanvasRenderingContext2D) => void,
  alpha = false,
  dot = 1,
): ImageBitmap {
  const ratio = resolution(dot);
  const canvas = new OffscreenCanvas(Math.round(width * ratio), Math.round(height * ratio));
  // It can do all that a drawing asks of a canvas of the page.
  const context = canvas.getContext('2d', { alpha }) as unknown as CanvasRenderingContext2D;
  context.scale(ratio, ratio);
  draw(context);
  // A bitmap is copied as it is; a canvas would first be asked for its present state, every time.
  return canvas.transferToImageBitmap();
}
