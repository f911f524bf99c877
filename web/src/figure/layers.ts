import type { EvaluatedItem } from '@bogen/core';
import type { Palette } from '../theme/theme.js';
import { combLength, drawItems, drawOver } from './drawFigure.js';
import type { LoadedPicture } from './drawGround.js';
import { drawGround } from './drawGround.js';
import type { Pane } from './pane.js';
import type { Plane } from './plane.js';
import type { FigureScene } from './scene.js';

/**
 * The layers of one pane. The ground stays while anything moves; and while something is dragged, all that
 * does not move with it is drawn once upon the ground, so that a frame of a drag draws only what moved.
 */
export class Layers {
  private ground: ImageBitmap | undefined;
  private groundParts: readonly unknown[] = [];
  private still: ImageBitmap | undefined;
  private stillParts: readonly unknown[] = [];
  /** What the items came to before the drag. */
  private settled: ReadonlyMap<string, EvaluatedItem> | undefined;
  private moving = new Set<string>();

  constructor(
    private readonly scene: FigureScene,
    private readonly plane: Plane,
    private readonly palette: Palette,
    private readonly pane: Pane,
  ) {}

  /** Draws everything as it is now. */
  draw(context: CanvasRenderingContext2D, pictures: readonly LoadedPicture[]): void {
    const { scene, plane, palette, pane } = this;
    const { width, height } = plane;
    const ground = this.groundWith(pictures);
    if (scene.host.settled()) {
      this.settled = scene.evaluation.items;
      this.moving.clear();
      this.forgetStill();
      context.drawImage(ground, 0, 0, width, height);
      drawItems(context, scene, plane, palette, pane);
    } else {
      const { moving } = this;
      for (const [id, result] of scene.evaluation.items) {
        if (this.settled?.get(id) !== result) moving.add(id);
      }
      context.drawImage(this.stillUpon(ground), 0, 0, width, height);
      drawItems(context, scene, plane, palette, {
        ...pane,
        shows: (id) => id !== null && moving.has(id) && pane.shows(id),
      });
    }
    drawOver(context, scene, plane, palette, pane);
  }

  close(): void {
    this.ground?.close();
    this.forgetStill();
  }

  private groundWith(pictures: readonly LoadedPicture[]): ImageBitmap {
    const parts = pictures.flatMap(({ picture, image }) => [picture, image]);
    if (!this.ground || !same(parts, this.groundParts)) {
      this.ground?.close();
      this.ground = drawGround(this.scene.view, this.plane, this.palette, pictures);
      this.groundParts = parts;
      this.forgetStill();
    }
    return this.ground;
  }

  /** The ground with all that does not move. */
  private stillUpon(ground: ImageBitmap): ImageBitmap {
    const { scene, plane, palette, pane, moving } = this;
    const { shown, looks, rail } = scene.document;
    const parts = [shown, looks, rail.item, [...moving].join(), combLength(scene)];
    if (!this.still || !same(parts, this.stillParts)) {
      this.forgetStill();
      const ratio = window.devicePixelRatio || 1;
      const canvas = new OffscreenCanvas(Math.ceil(plane.width * ratio), Math.ceil(plane.height * ratio));
      const context = canvas.getContext('2d', { alpha: false })!;
      context.scale(ratio, ratio);
      context.drawImage(ground, 0, 0, plane.width, plane.height);
      drawItems(context as unknown as CanvasRenderingContext2D, scene, plane, palette, {
        ...pane,
        shows: (id) => id !== null && !moving.has(id) && pane.shows(id),
      });
      this.still = canvas.transferToImageBitmap();
      this.stillParts = parts;
    }
    return this.still;
  }

  private forgetStill(): void {
    this.still?.close();
    this.still = undefined;
  }
}

function same(a: readonly unknown[], b: readonly unknown[]): boolean {
  return a.length === b.length && a.every((part, index) => part === b[index]);
}
