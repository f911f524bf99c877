import { distinctPointCount, grevilleAbscissae } from '@bogen/core/curve';
import { trackOf } from '@bogen/core/figure';
import { lazyPart } from '../ui/lazyPart.js';
import { shownNumber } from '../text/number.js';
import { drawLine, inputOf } from './functionTrack.js';
import { weightScale, weightsOf } from './weightScale.js';
import { changedPart } from '../figure/geometry/changedPart.js';
import { drawKnotLines, drawLitBand, plotFont, type Track } from './track.js';

/** A bar for every weight at its Greville abscissa, on a logarithmic scale, and the weight function through them. */
export const weightTrack: Track = {
  name: 'weights',
  height: 96,
  Marks: lazyPart(async () => (await import('./WeightMarks.js')).WeightMarks),
  dependsOn: ({ curve, lit }) => [curve.weights, curve.knots, lit?.index, lit?.from, lit?.to],
  valuesAt: (contents, u) =>
    (trackOf('weights').plots ?? []).flatMap(({ at }) => {
      const value = at(inputOf(contents), u);
      return value === undefined ? [] : [`w ${shownNumber(value, 3)}`];
    }),
  changed: (before, now, height) => {
    const [a, b] = [before, now].map(({ curve }) => weightScale(curve, height).domain);
    return a![0] === b![0] && a![1] === b![1] ? changedPart(before.curve, now.curve) : undefined;
  },
  drawGround: drawKnotLines,
  draw: (input) => {
    const { context, curve, axis, height, palette, lit } = input;
    const y = weightScale(curve, height);
    drawLitBand(input);
    const one = Math.round(y(0)) + 0.5;
    context.strokeStyle = palette.strong;
    context.lineWidth = 1;
    context.beginPath();
    context.moveTo(axis.range[0], one);
    context.lineTo(axis.range[1], one);
    context.stroke();
    for (const { values } of trackOf('weights').plots ?? []) {
      const own = values(inputOf(input));
      if (own)
        drawLine(
          input,
          own.map((value) => Math.log10(Math.max(value, 1e-9))),
          y,
          [],
        );
    }
    const abscissae = grevilleAbscissae(curve.knots, curve.degree);
    weightsOf(curve)
      .slice(0, distinctPointCount(curve))
      .forEach((weight, index) => {
        const [x, at] = [axis(abscissae[index]!), y(Math.log10(Math.max(weight, 1e-9)))];
        context.fillStyle = lit?.index === index ? palette.accent : palette.soft;
        context.fillRect(x - 2.5, Math.min(one, at), 5, Math.abs(at - one));
        context.fillRect(x - 5.5, at - 1.25, 11, 2.5);
      });
  },
  drawScale: ({ context, curve, axis, height, palette }) => {
    const y = weightScale(curve, height);
    const [least, most] = y.domain;
    context.font = plotFont;
    context.textAlign = 'right';
    context.textBaseline = 'middle';
    context.fillStyle = palette.soft;
    for (let power = least; power <= most; power++) {
      context.fillText(String(Number((10 ** power).toPrecision(3))), axis.range[0] - 8, y(power));
    }
  },
};
