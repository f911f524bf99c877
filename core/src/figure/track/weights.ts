import type { Curve } from '../../curve/curve.js';
import { pointAt } from '../../curve/evaluate.js';
import { pointsAt } from '../../curve/evaluateMany.js';
import { grevilleAbscissae } from '../../curve/knotVector.js';
import { distinctPointCount } from '../../curve/periodic.js';
import { changedPart } from '../drawn/changedPart.js';
import { linearScale } from '../drawn/linearScale.js';
import type { Plot, TrackMember } from './define.js';
import { drawKnotLines, drawLitBand, type TrackDrawing } from './drawing.js';
import { drawLine, inputOf } from './plotted.js';
import { weightScale, weightsOf } from './weightScale.js';

/** The weights as a polynomial curve of their own: what a rational curve is divided by. */
function weightCurve({ weights, points, degree, knots }: Curve): Curve {
  return { degree, knots, points: points.map((_, index) => [weights?.[index] ?? 1, 0]) };
}

/** The weight function w(u), the sum of the weights times their basis functions; one everywhere without weights. */
const plots: readonly Plot[] = [
  {
    values: ({ curve, samples: { parameters } }) =>
      pointsAt(weightCurve(curve), parameters).filter((_, index) => index % 2 === 0),
    at: ({ curve }, u) => pointAt(weightCurve(curve), u)[0],
  },
];

/** Values that are pixels. */
const pixelScale = (height: number) => linearScale([0, height], [0, height]);

const drawing: TrackDrawing = {
  height: 96,
  dependsOn: ({ curve, lit }) => [
    curve.weights,
    curve.signedWeights,
    curve.knots,
    lit?.index,
    lit?.from,
    lit?.to,
  ],
  valuesAt: (contents, u) =>
    plots.flatMap(({ at }) => {
      const value = at(inputOf(contents), u);
      return value === undefined ? [] : [`w ${contents.words.number(value)}`];
    }),
  changed: (before, now, height) => {
    const [a, b] = [before, now].map(({ curve }) => weightScale(curve, height).range);
    return a![0] === b![0] && a![1] === b![1] ? changedPart(before.curve, now.curve) : undefined;
  },
  drawGround: drawKnotLines,
  draw: (input) => {
    const { pen, curve, axis, height, colours, lit } = input;
    const { y, foot } = weightScale(curve, height);
    drawLitBand(input);
    const base = Math.round(y(foot)) + 0.5;
    pen.strokeStyle = colours.strong;
    pen.lineWidth = 1;
    pen.beginPath();
    pen.moveTo(axis.range[0], base);
    pen.lineTo(axis.range[1], base);
    pen.stroke();
    for (const { values } of plots) {
      const own = values(inputOf(input));
      // In pixels already, since the scale need not be even.
      if (own) drawLine(input, own.map(y), pixelScale(height), []);
    }
    const abscissae = grevilleAbscissae(curve.knots, curve.degree);
    weightsOf(curve)
      .slice(0, distinctPointCount(curve))
      .forEach((weight, index) => {
        const [x, at] = [axis(abscissae[index]!), y(weight)];
        pen.fillStyle = lit?.index === index ? colours.accent : colours.soft;
        pen.fillRect(x - 2.5, Math.min(base, at), 5, Math.abs(at - base));
        pen.fillRect(x - 5.5, at - 1.25, 11, 2.5);
      });
  },
  drawScale: ({ pen, curve, axis, height, colours, words }) => {
    const { y, marked } = weightScale(curve, height);
    pen.font = words.fonts.number;
    pen.textAlign = 'right';
    pen.textBaseline = 'middle';
    pen.fillStyle = colours.soft;
    for (const weight of marked) pen.fillText(String(weight), axis.range[0] - 8, y(weight));
  },
};

/** A bar for every weight at its Greville abscissa, on the scale of weights, and the weight function through them. */
export const weights: TrackMember = { letter: 'w', plots, drawing };
