import { distinctPointCount, grevilleAbscissae } from '@bogen/core/curve';
import { trackOf } from '@bogen/core/figure';
import { lazyPart } from '../ui/lazyPart.js';
import { shownNumber } from '../text/number.js';
import { linearScale } from '../figure/geometry/linearScale.js';
import { drawLine, inputOf } from './functionTrack.js';
import { weightScale, weightsOf } from './weightScale.js';
import { changedPart } from '../figure/geometry/changedPart.js';
import { drawKnotLines, drawLitBand, plotFont, type Track } from './track.js';

/** Values that are pixels. */
const pixelScale = (height: number) => linearScale([0, height], [0, height]);

/** A bar for every weight at its Greville abscissa, on the scale of weights, and the weight function through them. */
export const weightTrack: Track = {
  name: 'weights',
  height: 96,
  Marks: lazyPart(async () => (await import('./WeightMarks.js')).WeightMarks),
  dependsOn: ({ curve, lit }) => [
    curve.weights,
    curve.signedWeights,
    curve.knots,
    lit?.index,
    lit?.from,
    lit?.to,
  ],
  valuesAt: (contents, u) =>
    (trackOf('weights').plots ?? []).flatMap(({ at }) => {
      const value = at(inputOf(contents), u);
      return value === undefined ? [] : [`w ${shownNumber(value, 1)}`];
    }),
  changed: (before, now, height) => {
    const [a, b] = [before, now].map(({ curve }) => weightScale(curve, height).range);
    return a![0] === b![0] && a![1] === b![1] ? changedPart(before.curve, now.curve) : undefined;
  },
  drawGround: drawKnotLines,
  draw: (input) => {
    const { context, curve, axis, height, palette, lit } = input;
    const { y, foot } = weightScale(curve, height);
    drawLitBand(input);
    const base = Math.round(y(foot)) + 0.5;
    context.strokeStyle = palette.strong;
    context.lineWidth = 1;
    context.beginPath();
    context.moveTo(axis.range[0], base);
    context.lineTo(axis.range[1], base);
    context.stroke();
    for (const { values } of trackOf('weights').plots ?? []) {
      const own = values(inputOf(input));
      // In pixels already, since the scale need not be even.
      if (own) drawLine(input, own.map(y), pixelScale(height), []);
    }
    const abscissae = grevilleAbscissae(curve.knots, curve.degree);
    weightsOf(curve)
      .slice(0, distinctPointCount(curve))
      .forEach((weight, index) => {
        const [x, at] = [axis(abscissae[index]!), y(weight)];
        context.fillStyle = lit?.index === index ? palette.accent : palette.soft;
        context.fillRect(x - 2.5, Math.min(base, at), 5, Math.abs(at - base));
        context.fillRect(x - 5.5, at - 1.25, 11, 2.5);
      });
  },
  drawScale: ({ context, curve, axis, height, palette }) => {
    const { y, marked } = weightScale(curve, height);
    context.font = plotFont;
    context.textAlign = 'right';
    context.textBaseline = 'middle';
    context.fillStyle = palette.soft;
    for (const weight of marked) context.fillText(String(weight), axis.range[0] - 8, y(weight));
  },
};
