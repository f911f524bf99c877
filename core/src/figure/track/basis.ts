import type { Curve } from '../../curve/curve.js';
import { basisAt } from '../../curve/sampleBasis.js';
import { changedPart } from '../drawn/changedPart.js';
import { addLine } from '../drawn/line.js';
import { basisOf } from '../drawn/samples.js';
import type { TrackMember } from './define.js';
import { drawKnotLines, type TrackDrawing, type TrackInput } from './drawing.js';

/** Pixels from the track's upper edge to the value one. */
const top = 15;

/** Where the value zero stands: with weights of any sign functions go below it too. */
const baseOf = ({ signedWeights }: Curve, height: number): number =>
  signedWeights ? Math.round(0.62 * height) : height - 9;

const drawing: TrackDrawing = {
  height: 96,
  dependsOn: ({ curve, lit, looks }) => [
    curve.knots,
    curve.weights,
    curve.signedWeights,
    lit?.index,
    looks.basisSum,
    looks.polynomialBasis,
  ],
  valuesAt: ({ curve, words }, u) => {
    const { firstIndex, values } = basisAt(curve, u);
    const letter = curve.weights ? 'R' : 'N';
    return Array.from(
      values,
      (value, k) => `${letter}${words.counted(firstIndex + k)} ${words.number(value)}`,
    );
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
    const { pen, curve, axis, colours, lit, height, looks } = input;
    const base = baseOf(curve, height);
    pen.lineWidth = 1;
    pen.beginPath();
    for (let index = 0; index < curve.points.length; index++) {
      if (lit?.index !== index) addFunction(input, index, base, top);
    }
    pen.strokeStyle = colours.soft;
    pen.globalAlpha = 0.75;
    pen.stroke();
    pen.globalAlpha = 1;
    pen.strokeStyle = colours.strong;
    pen.beginPath();
    pen.moveTo(axis.range[0], base + 0.5);
    pen.lineTo(axis.range[1], base + 0.5);
    pen.stroke();
    if (looks.polynomialBasis && curve.weights) {
      const { weights: _, ...plain } = curve;
      pen.setLineDash([3, 3]);
      pen.beginPath();
      for (let index = 0; index < curve.points.length; index++) {
        addFunction({ ...input, curve: plain }, index, base, top);
      }
      pen.stroke();
      pen.setLineDash([]);
    }
    if (looks.basisSum) drawSum(input, base);
    if (lit) {
      pen.beginPath();
      addFunction(input, lit.index, base, top);
      pen.strokeStyle = colours.accent;
      pen.lineWidth = 2.25;
      pen.stroke();
      pen.lineTo(axis(lit.to), base);
      pen.lineTo(axis(lit.from), base);
      pen.closePath();
      pen.fillStyle = colours.accent;
      pen.globalAlpha = 0.12;
      pen.fill();
      pen.globalAlpha = 1;
    }
  },
  drawNames: (input) => nameFunctions(input, baseOf(input.curve, input.height), top),
};

/** The sum of all functions, which is one everywhere in the domain. */
function drawSum({ pen, curve, axis, colours, words }: TrackInput, base: number): void {
  const { parameters, values } = basisOf(curve);
  const width = curve.degree + 1;
  pen.beginPath();
  for (let sample = 0; sample < parameters.length; sample++) {
    let sum = 0;
    for (let column = 0; column < width; column++) sum += values[sample * width + column]!;
    pen.lineTo(axis(parameters[sample]!), base - (base - top) * sum);
  }
  pen.strokeStyle = colours.ink;
  pen.lineWidth = 1.5;
  pen.stroke();
  pen.font = words.fonts.name;
  pen.fillStyle = colours.ink;
  pen.textAlign = 'left';
  pen.fillText('Σ = 1', axis.range[0] + 4, top - 3);
}

/** Adds one basis function to the path, from the start of its support to its end. */
function addFunction({ pen, curve, axis, part }: TrackInput, index: number, base: number, top: number): void {
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
    if (parameters[first] !== last) pen.moveTo(x(first), y(first));
    last = parameters[first + perSpan]!;
    addLine(pen, first, first + perSpan, x, y);
  }
}

/** N₀, N₁, … above the peaks, as many as there is room for; the lit one always. */
function nameFunctions(
  { pen, curve, axis, colours, lit, words }: TrackInput,
  base: number,
  top: number,
): void {
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
  pen.textBaseline = 'alphabetic';
  pen.textAlign = 'left';
  peaks.forEach(({ u, value }, index) => {
    const x = axis(u);
    const isLit = lit?.index === index;
    if (!isLit && taken.some((other) => Math.abs(other - x) < 26)) return;
    taken.push(x);
    pen.fillStyle = isLit ? colours.accent : colours.soft;
    pen.font = words.fonts.name;
    const from = Math.min(Math.max(x - 7, axis.range[0] + 4), axis.range[1] - 18);
    const y = base - (base - top) * value - 3;
    pen.fillText(letter, from, y);
    pen.font = words.fonts.index;
    pen.fillText(String(words.counted(index)), from + 9, y + 2);
  });
}

/** The basis functions, each over its support; the one of the picked control point is filled. */
export const basis: TrackMember = { first: true, family: basisAt, drawing };
