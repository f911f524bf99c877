import type { CurveSamples, Point } from '@bogen/core/curve';
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

/** Pixels by which a drawn line may pass beside a sample: less than can be seen. */
const tolerance = 0.08;
/** The most samples that one piece may pass. */
const longestPiece = 16;

/** Where the samples of a line lie, in pixels. */
type Pixel = (sample: number) => number;

/**
 * Adds samples that stand evenly along a smooth line to the path, as few parabolas as pass all of them: what
 * a wide line costs to draw goes by the number of its pieces.
 */
export function addLine(
  context: CanvasRenderingContext2D,
  from: number,
  to: number,
  x: Pixel,
  y: Pixel,
): void {
  context.lineTo(x(from), y(from));
  for (let at = from; at < to;) {
    let count = Math.min(longestPiece, to - at);
    count -= count % 2;
    while (count > 2 && !(passes(x, at, count) && passes(y, at, count))) count = 2 * Math.floor(count / 4);
    if (count === 0) {
      at++;
      context.lineTo(x(at), y(at));
      continue;
    }
    const middle = at + count / 2;
    const end = at + count;
    const [endX, endY] = [x(end), y(end)];
    const chordX = (x(at) + endX) / 2;
    const chordY = (y(at) + endY) / 2;
    const [awayX, awayY] = [x(middle) - chordX, y(middle) - chordY];
    if (Math.abs(awayX) < tolerance && Math.abs(awayY) < tolerance) context.lineTo(endX, endY);
    else context.quadraticCurveTo(chordX + 2 * awayX, chordY + 2 * awayY, endX, endY);
    at = end;
  }
}

/** Whether the parabola through the first, middle and last of these samples passes those a quarter from its ends. */
function passes(value: Pixel, from: number, count: number): boolean {
  const [first, middle, last] = [value(from), value(from + count / 2), value(from + count)];
  const quarter = Math.max(1, Math.floor(count / 4));
  const t = quarter / count;
  const near = (a: number, b: number): number =>
    (1 - t) * (1 - 2 * t) * a + 4 * t * (1 - t) * middle - t * (1 - 2 * t) * b;
  return (
    Math.abs(near(first, last) - value(from + quarter)) <= tolerance &&
    Math.abs(near(last, first) - value(from + count - quarter)) <= tolerance
  );
}

/**
 * Adds the samples of a line that is smooth within its spans, whose ends both have their sample; it begins anew where the
 * curve does.
 */
export function addSpans(
  context: CanvasRenderingContext2D,
  { perSpan, joined }: Pick<CurveSamples, 'perSpan' | 'joined'>,
  from: number,
  to: number,
  x: Pixel,
  y: Pixel,
): void {
  for (let first = from; first <= to;) {
    const within = first % (perSpan + 1);
    const last = Math.min(to, first - within + perSpan);
    if (first > from && within === 0 && !joined[first / (perSpan + 1)]) context.moveTo(x(first), y(first));
    addLine(context, first, last, x, y);
    first = last + 1;
  }
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
