import { resolution } from './canvas.js';
import { drawBitmap } from './kept.js';

/** A small drawing that is made once and then only copied: outlines of letters are slow to draw anew in every frame. */
interface Sprite {
  readonly bitmap: ImageBitmap;
  /** Its corner on the bitmap and its size there, in pixels of the screen. */
  readonly left: number;
  readonly top: number;
  readonly size: number;
}

/** A drawing that is wanted at a place. */
interface Wanted {
  readonly key: string;
  /** Half its size in dots. */
  readonly half: number;
  readonly x: number;
  readonly y: number;
  readonly make: (context: CanvasRenderingContext2D) => void;
}

/** The most pixels across a bitmap of sprites. */
const widestBitmap = 1024;
/** A weight that is dragged leaves a drawing for every number it passed; above this count all are dropped. */
const mostKept = 2000;

/**
 * Small drawings by name, for one palette and screen resolution. Copying pixels is many times faster than
 * drawing text and rings, of which a figure has hundreds; and those that are new are made together, on one
 * bitmap.
 */
export class Sprites {
  private known = new Map<string, Sprite>();
  private palette: unknown;
  private ratio = 0;
  private wanted: Wanted[] = [];

  /** Notes that the drawing of this name is wanted at a place. */
  add(
    name: string,
    half: number,
    x: number,
    y: number,
    make: (context: CanvasRenderingContext2D) => void,
  ): void {
    this.wanted.push({ key: name, half, x, y, make });
  }

  /**
   * Copies all drawings that were wanted to their places, in their order, making first those that are new.
   * @param dot CSS pixels to a dot
   */
  draw(context: CanvasRenderingContext2D, palette: unknown, dot = 1): void {
    const ratio = resolution(dot);
    if (this.palette !== palette || this.ratio !== ratio || this.known.size > mostKept) {
      this.known.clear();
      this.palette = palette;
      this.ratio = ratio;
    }
    const { wanted, known } = this;
    this.wanted = [];
    this.makeNew(wanted, ratio, dot);
    for (const { key, half, x, y } of wanted) {
      const { bitmap, left, top, size } = known.get(key)!;
      // On whole pixels of the screen it stays sharp.
      const atX = Math.round((x - half) * ratio) / ratio;
      const atY = Math.round((y - half) * ratio) / ratio;
      context.drawImage(bitmap, left, top, size, size, atX, atY, size / ratio, size / ratio);
    }
  }

  private makeNew(wanted: readonly Wanted[], ratio: number, dot: number): void {
    const { known } = this;
    const missing = new Map<string, Wanted>();
    for (const want of wanted) if (!known.has(want.key)) missing.set(want.key, want);
    if (missing.size === 0) return;
    const placed: { want: Wanted; left: number; top: number; side: number }[] = [];
    let [left, top, row, across] = [0, 0, 0, 0];
    for (const want of missing.values()) {
      const side = Math.ceil(2 * want.half * ratio);
      if (left + side > widestBitmap) [left, top, row] = [0, top + row, 0];
      placed.push({ want, left, top, side });
      [left, row] = [left + side, Math.max(row, side)];
      across = Math.max(across, left);
    }
    const bitmap = drawBitmap(
      across / ratio,
      (top + row) / ratio,
      (context) => {
        for (const { want, left, top } of placed) {
          context.save();
          context.translate(left / ratio + want.half, top / ratio + want.half);
          want.make(context);
          context.restore();
        }
      },
      true,
      dot,
    );
    for (const { want, left, top, side } of placed) {
      known.set(want.key, { bitmap, left, top, size: side });
    }
  }

  /** Forgets everything, as when a font has come in. */
  clear(): void {
    this.known.clear();
  }
}
