import { blossom } from './blossom.js';
import type { Curve } from './curve.js';
import { curveOfRows } from './homogeneous.js';
import { spend } from './effort.js';
import { spansOf } from './knotVector.js';

/**
 * Takes a curve apart into its Bézier pieces, one for each span, each a clamped curve on the span's own
 * parameter interval. The control points of a piece on [a, b] are the blossom values at p − k times a
 * and k times b (Ramshaw 1987; F 8; the same pieces as P&T A5.6).
 */
export function decompose(curve: Curve): Curve[] {
  const { degree, knots } = curve;
  const spans = spansOf(knots, degree);
  spend(spans.length * (40 + 2 * (degree + 1) ** 2));
  return spans.map(({ index, start, end }) => {
    const homogeneous = Array.from({ length: degree + 1 }, (_, k) =>
      blossom(curve, index, [...Array<number>(degree - k).fill(start), ...Array<number>(k).fill(end)]),
    );
    const ends = [...Array<number>(degree + 1).fill(start), ...Array<number>(degree + 1).fill(end)];
    return curveOfRows(curve, degree, ends, homogeneous);
  });
}
