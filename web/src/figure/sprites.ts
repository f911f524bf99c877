import { drawBitmap } from './canvas.js';

/** A small drawing that is made once and then only copied: outlines of letters are slow to draw anew in every frame. */
interface Sprite {
  readonly image: ImageBitmap;
  /** Half its size in CSS pixels. */
  readonly half: number;
}

/**
 * Small drawings by name, for one palette and screen resolution. Copying pixels is many times faster than
 * drawing text and rings, of which a figure has a hundred.
 */
export class Sprites {
  private known = new Map<string, Sprite>();
  private of: unknown;

  /** Copies the drawing of this name to a place, making it first where it is new. */
  draw(
    context: CanvasRenderingContext2D,
    palette: unknown,
    name: string,
    half: number,
    x: number,
    y: number,
    make: (context: CanvasRenderingContext2D) => void,
  ): void {
    const ratio = window.devicePixelRatio || 1;
    const key = `${name} ${ratio}`;
    if (this.of !== palette) {
      this.known.clear();
      this.of = palette;
    }
    let sprite = this.known.get(key);
    if (!sprite) {
      const whole = Math.ceil(2 * half);
      const image = drawBitmap(
        whole,
        whole,
        (own) => {
          own.translate(half, half);
          make(own);
        },
        true,
      );
      sprite = { image, half };
      this.known.set(key, sprite);
    }
    // On whole pixels of the screen it stays sharp.
    const left = Math.round((x - half) * ratio) / ratio;
    const top = Math.round((y - half) * ratio) / ratio;
    context.drawImage(sprite.image, left, top, sprite.image.width / ratio, sprite.image.height / ratio);
  }

  /** Forgets everything, as when a font has come in. */
  clear(): void {
    this.known.clear();
  }
}
