import type { Point } from '@bogen/core/curve';
import type { View } from '@bogen/core/figure';

/** The map between the drawing's plane and the pixels of the figure on the screen. */
export interface Plane {
  readonly scale: number;
  readonly width: number;
  readonly height: number;
  toScreen(point: Point): [number, number];
  /** The pixel of a place's x alone, for long lists of numbers, in which every pair would be an object of its own. */
  screenX(x: number): number;
  screenY(y: number): number;
  toPlane(x: number, y: number): [number, number];
}

/** The whole view, as large as it fits, in the middle. */
export function fitPlane(view: View, width: number, height: number): Plane {
  const scale = Math.max(1e-9, Math.min(width / (view.right - view.left), height / (view.top - view.bottom)));
  const offsetX = (width - scale * (view.right + view.left)) / 2;
  const offsetY = (height + scale * (view.top + view.bottom)) / 2;
  return {
    scale,
    width,
    height,
    screenX: (x) => offsetX + scale * x,
    screenY: (y) => offsetY - scale * y,
    toScreen: ([x, y]) => [offsetX + scale * x!, offsetY - scale * y!],
    toPlane: (x, y) => [(x - offsetX) / scale, (offsetY - y) / scale],
  };
}
