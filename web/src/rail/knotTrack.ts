import { lazyPart } from '../ui/lazyPart.js';
import { distinctPointCount, domainOf, grevilleAbscissae, polesOf, spansOf } from '@bogen/core/curve';
import { distinctKnotsOf } from '../figure/geometry/geometry.js';
import { drawJump, jumpsOf } from '../figure/paint/jumpMark.js';
import { shownOrExact } from '../text/exact.js';
import { shownNumber } from '../text/number.js';
import { changedPart } from '../figure/geometry/changedPart.js';
import { drawLitBand, plotFont, type Track } from './track.js';

/** Spans in their colours, and every knot with as many bars above it as its multiplicity. */
export const knotTrack: Track = {
  name: 'knots',
  height: 70,
  Marks: lazyPart(async () => (await import('./KnotMarks.js')).KnotMarks),
  // What jumps at the knots depends on the points; the text tells whether it changed.
  dependsOn: ({ curve, lit, exact }) => [
    curve.knots,
    polesOf(curve)
      .map(({ parameter }) => parameter)
      .join(' '),
    [...jumpsOf(curve).values()].join(' '),
    lit?.from,
    lit?.to,
    exact,
  ],
  valuesAt: ({ curve }, u) => {
    const span =
      spansOf(curve.knots, curve.degree).find(({ end }) => u < end) ??
      spansOf(curve.knots, curve.degree).at(-1)!;
    return [`[${shownNumber(span.start, 1)}, ${shownNumber(span.end, 1)}]`];
  },
  changed: (before, now) => {
    // Spans that are counted otherwise have other colours.
    const [a, b] = [before, now].map(({ curve }) => spansOf(curve.knots, curve.degree).length);
    return a === b ? changedPart(before.curve, now.curve) : undefined;
  },
  draw: (input) => {
    const { context, curve, axis, palette, height } = input;
    drawLitBand(input);
    const line = height - 26;
    const [start, end] = axis.domain;
    const [first, last] = domainOf(curve.knots, curve.degree);
    const knots = distinctKnotsOf(curve).filter(({ value }) => value >= first && value <= last);
    const jumps = jumpsOf(curve);
    let span = 0;
    for (let index = 0; index + 1 < knots.length; index++, span++) {
      const from = axis(knots[index]!.value);
      const to = axis(knots[index + 1]!.value);
      context.fillStyle = palette.spans[span % palette.spans.length]!;
      context.fillRect(from, line - 3, to - from, 6);
    }
    // The Greville abscissae hang below the line as small rings.
    context.strokeStyle = palette.ink;
    context.lineWidth = 1.25;
    context.beginPath();
    for (const abscissa of grevilleAbscissae(curve.knots, curve.degree).slice(0, distinctPointCount(curve))) {
      if (abscissa < start || abscissa > end) continue;
      context.moveTo(axis(abscissa) + 2.25, line + 6);
      context.arc(axis(abscissa), line + 6, 2.25, 0, 2 * Math.PI);
    }
    context.stroke();
    for (const { value, multiplicity } of knots) {
      const x = axis(value);
      context.fillStyle = palette.ink;
      // Many bars share the room above the line.
      const pitch = Math.min(5.5, (line - 10) / Math.max(multiplicity, 1));
      for (let bar = 0; bar < multiplicity; bar++) {
        context.fillRect(x - 6, line - 9 - bar * pitch, 12, Math.min(3, pitch - 1));
      }
      context.fillRect(x - 0.75, line - 3, 1.5, 10);
      const jump = jumps.get(value);
      context.strokeStyle = palette.ink;
      context.lineWidth = 1.5;
      if (jump) drawJump(context, jump, x, line - 14 - (multiplicity - 1) * pitch, [0, -1]);
    }
  },
  drawNames: (input) => {
    const { context, curve, axis, palette, height, exact } = input;
    const line = height - 26;
    const [start, end] = domainOf(curve.knots, curve.degree);
    context.font = plotFont;
    context.textAlign = 'center';
    context.textBaseline = 'top';
    context.fillStyle = palette.soft;
    // A lozenge would be an edit point, and a bar a knot.
    for (const { parameter } of polesOf(curve)) context.fillText('∞', axis(parameter), line - 18);
    let freeFrom = -Infinity;
    const lastX = axis(axis.domain[1]);
    for (const { value } of distinctKnotsOf(curve)) {
      if (value < start || value > end) continue;
      const x = axis(value);
      // Where a name stands already there is no need to measure another.
      if (x < freeFrom) continue;
      const text = shownOrExact(value, exact);
      const half = context.measureText(text).width / 2 + 4;
      const isEnd = x === lastX;
      if (x - half < freeFrom || (!isEnd && x + half > lastX - 12)) continue;
      context.fillStyle = palette.soft;
      context.fillText(text, x, line + 11);
      freeFrom = x + half;
    }
  },
};
