import type { CurveSamples } from '../../curve/sample.js';
import type { Pen } from './pen.js';

/** By what lines are drawn. */
type LinePen = Pick<Pen, 'moveTo' | 'lineTo' | 'quadraticCurveTo'>;

/** Pixels by which a drawn line may pass beside a sample: less than can be seen. */
const tolerance = 0.08;
/** The most samples that one piece may pass. */
const longestPiece = 16;

/** Where the samples of a line lie, in pixels. */
export type Pixel = (sample: number) => number;

/**
 * Adds samples that stand evenly along a smooth line to the path, as few parabolas as pass all of them: what
 * a wide line costs to draw goes by the number of its pieces.
 */
export function addLine(pen: LinePen, from: number, to: number, x: Pixel, y: Pixel): void {
  pen.lineTo(x(from), y(from));
  for (let at = from; at < to;) {
    let count = Math.min(longestPiece, to - at);
    count -= count % 2;
    while (count > 2 && !(passes(x, at, count) && passes(y, at, count))) count = 2 * Math.floor(count / 4);
    if (count === 0) {
      at++;
      pen.lineTo(x(at), y(at));
      continue;
    }
    const middle = at + count / 2;
    const end = at + count;
    const [endX, endY] = [x(end), y(end)];
    const chordX = (x(at) + endX) / 2;
    const chordY = (y(at) + endY) / 2;
    const [awayX, awayY] = [x(middle) - chordX, y(middle) - chordY];
    if (Math.abs(awayX) < tolerance && Math.abs(awayY) < tolerance) pen.lineTo(endX, endY);
    else pen.quadraticCurveTo(chordX + 2 * awayX, chordY + 2 * awayY, endX, endY);
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
  pen: LinePen,
  { perSpan, joined }: Pick<CurveSamples, 'perSpan' | 'joined'>,
  from: number,
  to: number,
  x: Pixel,
  y: Pixel,
): void {
  for (let first = from; first <= to;) {
    const within = first % (perSpan + 1);
    const last = Math.min(to, first - within + perSpan);
    if (first > from && within === 0 && !joined[first / (perSpan + 1)]) pen.moveTo(x(first), y(first));
    addLine(pen, first, last, x, y);
    first = last + 1;
  }
}
