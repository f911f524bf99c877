import type { Point } from '@bogen/core/curve';
import type { View } from '@bogen/core/figure';

/**
 * How a drawing comes to the screen, and a place on the screen back to the drawing. All lengths on the screen are
 * in dots, the unit in which marks, lines and type are measured; a dot is one CSS pixel unless marks are to be
 * larger.
 */
export interface Projection {
  /** Dots to the drawing's unit. */
  readonly scale: number;
  /** CSS pixels to a dot: the scale of marks and type. */
  readonly markScale: number;
  /** The size of the pane in dots. */
  readonly width: number;
  readonly height: number;
  toScreen(point: Point): [number, number];
  /** The x on the screen of a place's x alone, for long lists of numbers, in which every pair would be an object of its own. */
  screenX(x: number): number;
  screenY(y: number): number;
  toDrawing(x: number, y: number): [number, number];
}

/**
 * A drawing in the plane: the whole view, as large as it fits, in the middle.
 * @param width the pane's width in CSS pixels
 * @param height its height
 * @param markScale how much larger than usual marks and type are
 */
export function planeProjection(view: View, width: number, height: number, markScale = 1): Projection {
  const [across, down] = [width / markScale, height / markScale];
  const scale = Math.max(1e-9, Math.min(across / (view.right - view.left), down / (view.top - view.bottom)));
  const offsetX = (across - scale * (view.right + view.left)) / 2;
  const offsetY = (down + scale * (view.top + view.bottom)) / 2;
  return {
    scale,
    markScale,
    width: across,
    height: down,
    screenX: (x) => offsetX + scale * x,
    screenY: (y) => offsetY - scale * y,
    toScreen: ([x, y]) => [offsetX + scale * x!, offsetY - scale * y!],
    toDrawing: (x, y) => [(x - offsetX) / scale, (offsetY - y) / scale],
  };
}

/** Where a place of the drawing stands in its pane, in CSS pixels. */
export function toPixel(projection: Projection, place: Point): [number, number] {
  const [x, y] = projection.toScreen(place);
  return [x * projection.markScale, y * projection.markScale];
}

/** The place of the drawing under one of its pane, in CSS pixels. */
export function fromPixel(projection: Projection, [x, y]: readonly [number, number]): [number, number] {
  return projection.toDrawing(x / projection.markScale, y / projection.markScale);
}

/** Where a pointer is in an element, in CSS pixels from its corner. */
export function pixelIn(
  element: Element,
  event: { readonly clientX: number; readonly clientY: number },
): [number, number] {
  const { left, top } = element.getBoundingClientRect();
  return [event.clientX - left, event.clientY - top];
}
