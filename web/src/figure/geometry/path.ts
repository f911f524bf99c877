import type { CurveSamples, Point } from '@bogen/core/curve';
import { addSpans, type Pixel } from '@bogen/core/figure';
import type { Projection } from './projection.js';

/** Begins the path of a polyline. */
export function tracePoints(
  context: CanvasRenderingContext2D,
  points: readonly Point[],
  projection: Projection,
): void {
  context.beginPath();
  points.forEach((point, index) => {
    const [x, y] = projection.toScreen(point);
    if (index === 0) context.moveTo(x, y);
    else context.lineTo(x, y);
  });
}

/** Adds a curve's samples of these numbers to the path, as a line of its own. */
export function addSamples(
  context: CanvasRenderingContext2D,
  samples: CurveSamples,
  projection: Projection,
  from: number,
  to: number,
): void {
  const { coordinates, dimension } = samples;
  const x: Pixel = (sample) => projection.screenX(coordinates[sample * dimension]!);
  const y: Pixel = (sample) => projection.screenY(coordinates[sample * dimension + 1]!);
  context.moveTo(x(from), y(from));
  addSpans(context, samples, from, to, x, y);
}
