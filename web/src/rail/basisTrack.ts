import { basisAt, type Curve } from '@bogen/core/curve';
import { basisOf } from '../figure/geometry/geometry.js';
import { addLine } from '../figure/geometry/path.js';
import { shownNumber } from '../text/number.js';
import { changedPart } from '../figure/geometry/changedPart.js';
import { drawKnotLines, nameFont, type Track, type TrackInput } from './track.js';
import { counted } from '../text/notation.js';

/** Pixels from the track's upper edge to the value one. */
const top = 15;

/** Where the value zero stands: with weights of any sign functions go below it too. */
const baseOf = ({ signedWeights }: Curve, height: number): number =>
  signedWeights ? Math.round(0.62 * height) : height - 9;

/** Every basis function over its support; the one of the picked control point is filled. */
export const basisTrack: Track = {
  name: 'basis',
  height: 96,
  dependsOn: ({ curve, lit, looks }) => [
    curve.knots,
    curve.weights,
    curve.signedWeights,
    lit?.index,
    looks.basisSum,
    looks.polynomialBasis,
  ],
  valuesAt: ({ curve }, u) => {
    const { firstIndex, values } = basisAt(curve, u);
    const letter = curve.weights ? 'R' : 'N';
    return Array.from(values, (value, k) => `${letter}${counted(firstIndex + k)} ${shownNumber(value, 1)}`);
  },
  pickAt: ({ curve, axis, height }, x, y) => {
    const [start, end] = axis.domain;
    const u = axis.invert(x);
    if (u < start || u > end) return null;
    const base = baseOf(curve, height);
    const wanted = (base - y) / (base - top);
    const { firstIndex, values } = basisAt(curve, u);
    let best = 0;
    values.forEach((value, k) => {
      if (Math.abs(value - wanted) < Math.abs(values[best]! - wanted)) best = k;
    });
    return firstIndex + best;
  },
  changed: (before, now) =>
    // With the first weight the functions without weights are drawn too, where they are wished for.
    now.looks.polynomialBasis && !before.curve.weights !== !now.curve.weights
      ? undefined
      : changedPart(before.curve, now.curve),
  drawGround: drawKnotLines,
  draw: (input) => {
    const { context, curve, axis, palette, lit, height, looks } = input;
    const base = baseOf(curve, height);
    context.lineWidth = 1;
    context.beginPath();
    for (let index = 0; index < curve.points.length; index++) {
      if (lit?.index !== index) addFunction(input, index, base, top);
    }
    context.strokeStyle = palette.soft;
    context.globalAlpha = 0.75;
    context.stroke();
    context.globalAlpha = 1;
    context.strokeStyle = palette.strong;
    context.beginPath();
    context.moveTo(axis.range[0], base + 0.5);
    context.lineTo(axis.range[1], base + 0.5);
    context.stroke();
    if (looks.polynomialBasis && curve.weights) {
      const { weights: _, ...plain } = curve;
      context.setLineDash([3, 3]);
      context.beginPath();
      for (let index = 0; index < curve.points.length; index++) {
        addFunction({ ...input, curve: plain }, index, base, top);
      }
      context.stroke();
      context.setLineDash([]);
    }
    if (looks.basisSum) drawSum(input, base);
    if (lit) {
      context.beginPath();
      addFunction(input, lit.index, base, top);
      context.strokeStyle = palette.accent;
      context.lineWidth = 2.25;
      context.stroke();
      context.lineTo(axis(lit.to), base);
      context.lineTo(axis(lit.from), base);
      context.closePath();
      context.fillStyle = palette.accent;
      context.globalAlpha = 0.12;
      context.fill();
      context.globalAlpha = 1;
    }
  },
  drawNames: (input) => nameFunctions(input, baseOf(input.curve, input.height), top),
};

/** The sum of all functions, which is one everywhere in the domain. */
function drawSum({ context, curve, axis, palette }: TrackInput, base: number): void {
  const { parameters, values } = basisOf(curve);
  const width = curve.degree + 1;
  context.beginPath();
  for (let sample = 0; sample < parameters.length; sample++) {
    let sum = 0;
    for (let column = 0; column < width; column++) sum += values[sample * width + column]!;
    context.lineTo(axis(parameters[sample]!), base - (base - top) * sum);
  }
  context.strokeStyle = palette.ink;
  context.lineWidth = 1.5;
  context.stroke();
  context.font = nameFont;
  context.fillStyle = palette.ink;
  context.textAlign = 'left';
  context.fillText('Σ = 1', axis.range[0] + 4, top - 3);
}

/** Adds one basis function to the path, from the start of its support to its end. */
function addFunction(
  { context, curve, axis, part }: TrackInput,
  index: number,
  base: number,
  top: number,
): void {
  const [start, end] = part ?? axis.domain;
  if (curve.knots[index]! >= end || curve.knots[index + curve.degree + 1]! <= start) return;
  const { parameters, values, firstIndex, spanCount, perSpan } = basisOf(curve);
  const width = curve.degree + 1;
  let last = NaN;
  for (let span = 0; span < spanCount; span++) {
    const column = index - firstIndex[span]!;
    if (column < 0 || column >= width) continue;
    const first = span * (perSpan + 1);
    const x = (sample: number): number => axis(parameters[sample]!);
    const y = (sample: number): number => base - (base - top) * values[sample * width + column]!;
    // It begins anew at the start of its support, and after a pole.
    if (parameters[first] !== last) context.moveTo(x(first), y(first));
    last = parameters[first + perSpan]!;
    addLine(context, first, first + perSpan, x, y);
  }
}

/** N₀, N₁, … above the peaks, as many as there is room for; the lit one always. */
function nameFunctions({ context, curve, axis, palette, lit }: TrackInput, base: number, top: number): void {
  const { parameters, values, firstIndex } = basisOf(curve);
  const width = curve.degree + 1;
  const perSpan = basisOf(curve).perSpan + 1;
  const peaks = curve.points.map(() => ({ u: 0, value: -1 }));
  for (let sample = 0; sample < parameters.length; sample++) {
    const first = firstIndex[Math.floor(sample / perSpan)]!;
    for (let column = 0; column < width; column++) {
      const value = values[sample * width + column]!;
      const peak = peaks[first + column]!;
      // With weights of any sign a function may leave the track; its name stays in it.
      if (value > peak.value && value <= 1) peaks[first + column] = { u: parameters[sample]!, value };
    }
  }
  const letter = curve.weights ? 'R' : 'N';
  const taken: number[] = lit ? [axis(peaks[lit.index]!.u)] : [];
  context.textBaseline = 'alphabetic';
  context.textAlign = 'left';
  peaks.forEach(({ u, value }, index) => {
    const x = axis(u);
    const isLit = lit?.index === index;
    if (!isLit && taken.some((other) => Math.abs(other - x) < 26)) return;
    taken.push(x);
    context.fillStyle = isLit ? palette.accent : palette.soft;
    context.font = nameFont;
    const from = Math.min(Math.max(x - 7, axis.range[0] + 4), axis.range[1] - 18);
    const y = base - (base - top) * value - 3;
    context.fillText(letter, from, y);
    context.font = nameFont.replace('12px', '9px');
    context.fillText(String(counted(index)), from + 9, y + 2);
  });
}
