import type { Point } from '@bogen/core';
import type { Plane } from './plane.js';

/** Begins the path of a polyline. */
export function tracePoints(context: CanvasRenderingContext2D, points: readonly Point[], plane: Plane): void {
  context.beginPath();
  points.forEach((point, index) => {
    const [x, y] = plane.toScreen(point);
    if (index === 0) context.moveTo(x, y);
    else context.lineTo(x, y);
  });
}
