import { polesOf } from '../../curve/betweenPoles.js';
import { grevilleAbscissae } from '../../curve/knotVector.js';
import { domainOf, spansOf } from '../../curve/knotVector.js';
import { distinctPointCount } from '../../curve/periodic.js';
import { changedPart } from '../drawn/changedPart.js';
import { drawJump, jumpsOf } from '../drawn/jump.js';
import { distinctKnotsOf } from '../drawn/samples.js';
import type { TrackMember } from './define.js';
import { drawLitBand, type TrackDrawing } from './drawing.js';

const drawing: TrackDrawing = {
  height: 70,
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
  valuesAt: ({ curve, words }, u) => {
    const span =
      spansOf(curve.knots, curve.degree).find(({ end }) => u < end) ??
      spansOf(curve.knots, curve.degree).at(-1)!;
    return [`[${words.number(span.start)}, ${words.number(span.end)}]`];
  },
  changed: (before, now) => {
    // Spans that are counted otherwise have other colours.
    const [a, b] = [before, now].map(({ curve }) => spansOf(curve.knots, curve.degree).length);
    return a === b ? changedPart(before.curve, now.curve) : undefined;
  },
  draw: (input) => {
    const { pen, curve, axis, colours, height } = input;
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
      pen.fillStyle = colours.spans[span % colours.spans.length]!;
      pen.fillRect(from, line - 3, to - from, 6);
    }
    // The Greville abscissae hang below the line as small rings.
    pen.strokeStyle = colours.ink;
    pen.lineWidth = 1.25;
    pen.beginPath();
    for (const abscissa of grevilleAbscissae(curve.knots, curve.degree).slice(0, distinctPointCount(curve))) {
      if (abscissa < start || abscissa > end) continue;
      pen.moveTo(axis(abscissa) + 2.25, line + 6);
      pen.arc(axis(abscissa), line + 6, 2.25, 0, 2 * Math.PI);
    }
    pen.stroke();
    for (const { value, multiplicity } of knots) {
      const x = axis(value);
      pen.fillStyle = colours.ink;
      // Many bars share the room above the line.
      const pitch = Math.min(5.5, (line - 10) / Math.max(multiplicity, 1));
      for (let bar = 0; bar < multiplicity; bar++) {
        pen.fillRect(x - 6, line - 9 - bar * pitch, 12, Math.min(3, pitch - 1));
      }
      pen.fillRect(x - 0.75, line - 3, 1.5, 10);
      const jump = jumps.get(value);
      pen.strokeStyle = colours.ink;
      pen.lineWidth = 1.5;
      if (jump) drawJump(pen, jump, x, line - 14 - (multiplicity - 1) * pitch, [0, -1]);
    }
  },
  drawNames: (input) => {
    const { pen, curve, axis, colours, height, exact, words } = input;
    const line = height - 26;
    const [start, end] = domainOf(curve.knots, curve.degree);
    pen.font = words.fonts.number;
    pen.textAlign = 'center';
    pen.textBaseline = 'top';
    pen.fillStyle = colours.soft;
    // A lozenge would be an edit point, and a bar a knot.
    for (const { parameter } of polesOf(curve)) pen.fillText('∞', axis(parameter), line - 18);
    let freeFrom = -Infinity;
    const lastX = axis(axis.domain[1]);
    for (const { value } of distinctKnotsOf(curve)) {
      if (value < start || value > end) continue;
      const x = axis(value);
      // Where a name stands already there is no need to measure another.
      if (x < freeFrom) continue;
      const text = words.knot(value, exact);
      const half = pen.measureText(text).width / 2 + 4;
      const isEnd = x === lastX;
      if (x - half < freeFrom || (!isEnd && x + half > lastX - 12)) continue;
      pen.fillStyle = colours.soft;
      pen.fillText(text, x, line + 11);
      freeFrom = x + half;
    }
  },
};

/** The knot vector: spans in their colours, and every knot with as many bars above it as its multiplicity. */
export const knots: TrackMember = { first: true, drawing };
