import { hasSignedWeights, polesOf } from '../../curve/betweenPoles.js';
import type { Curve } from '../../curve/curve.js';
import { changedPart } from '../drawn/changedPart.js';
import { addLine } from '../drawn/line.js';
import { linearScale, type LinearScale } from '../drawn/linearScale.js';
import { distancesOf, samplesOf } from '../drawn/samples.js';
import { boxOf } from '../part/plane.js';
import type { Plot, PlotInput, TrackMember } from './define.js';
import {
  drawKnotLines,
  drawLitBand,
  type TrackContents,
  type TrackDrawing,
  type TrackInput,
  type TrackWords,
} from './drawing.js';

/** The least and largest of some values, with zero between or at an end of them. */
export function rangeWithZero(values: ArrayLike<number>): [number, number] {
  let least = 0;
  let most = 0;
  for (let k = 0; k < values.length; k++) {
    least = Math.min(least, values[k]!);
    most = Math.max(most, values[k]!);
  }
  return [least, most];
}

/** How far from its control points a curve with poles is looked at for the range of a plot, in sizes of their box. */
const near = 2;

/**
 * The range of a curve's plotted values, with zero. Towards a pole they grow without bound: then it is that of the places
 * near the control points, and what lies farther leaves the track.
 */
function plottedRange(curve: Curve, values: Float64Array): [number, number] {
  if (!hasSignedWeights(curve) || polesOf(curve).length === 0) return rangeWithZero(values);
  const { coordinates, dimension } = samplesOf(curve);
  const { low, high } = boxOf(curve.points)!;
  const reach = near * Math.max(...high.map((value, axis) => value - low[axis]!));
  const isNear = (sample: number): boolean =>
    low.every((least, axis) => {
      const value = coordinates[sample * dimension + axis]!;
      return value >= least - reach && value <= high[axis]! + reach;
    });
  return rangeWithZero(values.filter((_, sample) => isNear(sample)));
}

/** The next of 1, 1.5, 2, 3, 5, 7 times a power of ten: a scale that stays while a point moves a little. */
function roundedUp(value: number): number {
  if (value === 0) return 0;
  const power = 10 ** Math.floor(Math.log10(value));
  return power * ([1, 1.5, 2, 3, 5, 7, 10].find((step) => step * power >= value * (1 - 1e-12)) ?? 10);
}

/** What the plots of a track are computed from. */
export function inputOf({ curve, compared }: TrackContents): PlotInput {
  return {
    curve,
    samples: samplesOf(curve),
    ...(compared ? { compared, distances: () => distancesOf(curve, compared) } : {}),
  };
}

/** Every value that a track plots, for its range in words. */
export function plottedValues({ plots = [] }: TrackMember, contents: TrackContents): ArrayLike<number> {
  return plots.flatMap(({ values }) => [...(values(inputOf(contents)) ?? [])]);
}

/** A number of the scale, as narrow as it can be: it stands beside the track's title. */
const shortScientific = (words: TrackWords, value: number): string =>
  words
    .scientific(value)
    .replace(/(?:\.0)? × /, '×')
    .replace(/(\.\d*?)0+$/, '$1')
    .replace(/\.$/, '');

/** The power of ten of a size, down to that of the floor of a logarithmic scale. */
const powerOf = (value: number, floor: number): number => Math.log10(Math.max(Math.abs(value), floor));

/** What a plot draws of its values: themselves, or their powers of ten on a logarithmic scale. */
const drawnValues = (values: Float64Array, floor: number | undefined): Float64Array =>
  floor === undefined ? values : values.map((value) => powerOf(value, floor));

/** The scale that all lines of a track share; it stays while a point moves a little. */
function scaleOf(
  plots: readonly Plot[],
  contents: TrackContents,
  height: number,
  floor: number | undefined,
): LinearScale {
  if (floor !== undefined) return linearScale([Math.log10(floor), 0], [height - 9, 9]);
  let [least, most] = [0, 0];
  const input = inputOf(contents);
  for (const { values } of plots) {
    const [low, high] = plottedRange(contents.curve, values(input) ?? new Float64Array(0));
    least = Math.min(least, low);
    most = Math.max(most, high);
  }
  const low = -roundedUp(-least);
  const high = roundedUp(most);
  return linearScale([low, low === 0 && high === 0 ? 1 : high], [height - 9, 9]);
}

/**
 * A track that plots numbers over the parameter, as the registry describes it; a jump at a knot is drawn as a
 * jump, with a mark at both of its ends.
 */
export function plotted({ plots = [], floor, compares, whole }: TrackMember): TrackDrawing {
  return {
    height: 96,
    dependsOn: ({ curve, lit, compared, made }) => [
      curve,
      made,
      lit?.from,
      lit?.to,
      ...(compares ? [compared] : []),
    ],
    valuesAt: (contents, u) =>
      plots.flatMap(({ at, sign }) => {
        const value = at(inputOf(contents), u);
        return value === undefined ? [] : [`${sign ? `${sign} ` : ''}${contents.words.scientific(value)}`];
      }),
    changed: (before, now, height) => {
      if (whole || before.compared !== now.compared || before.made !== now.made) return undefined;
      const [a, b] = [before, now].map((contents) => scaleOf(plots, contents, height, floor).domain);
      return a![0] === b![0] && a![1] === b![1] ? changedPart(before.curve, now.curve) : undefined;
    },
    drawGround: drawKnotLines,
    draw: (input) => {
      const { pen, axis, colours, height } = input;
      const y = scaleOf(plots, input, height, floor);
      const foot = y(floor === undefined ? 0 : y.domain[0]);
      drawLitBand(input);
      pen.strokeStyle = colours.strong;
      pen.lineWidth = 1;
      pen.beginPath();
      pen.moveTo(axis.range[0], Math.round(foot) + 0.5);
      pen.lineTo(axis.range[1], Math.round(foot) + 0.5);
      pen.stroke();
      const plotInput = inputOf(input);
      for (const { values, dashed } of plots) {
        const own = values(plotInput);
        if (own) drawLine(input, drawnValues(own, floor), y, dashed ? [6, 4] : []);
      }
      const { made } = input;
      if (!made) return;
      const after = { ...input, curve: made, colours: { ...colours, ink: colours.accent } };
      for (const { values } of plots) {
        const own = values(inputOf(after));
        if (own) drawLine(after, drawnValues(own, floor), y, [4, 3]);
      }
    },
    drawScale: (input) => {
      const { pen, axis, colours, height, words } = input;
      const y = scaleOf(plots, input, height, floor);
      const [low, high] = y.domain;
      pen.font = words.fonts.number;
      pen.textAlign = 'right';
      pen.textBaseline = 'middle';
      pen.fillStyle = colours.soft;
      const x = axis.range[0] - 8;
      const texts = (floor === undefined ? [low, 0, high] : [low, low / 2, high]).filter(
        (value, index, all) => all.indexOf(value) === index,
      );
      let lastY = Infinity;
      for (const value of texts) {
        const at = y(value);
        if (lastY - at < 12) continue;
        pen.fillText(floor === undefined ? shortScientific(words, value) : words.power(value), x, at);
        lastY = at;
      }
    },
  };
}

/** A line through values at the curve's samples, with every jump at a knot as a jump. */
export function drawLine(
  { pen, curve, axis, colours, part }: TrackInput,
  values: Float64Array,
  y: LinearScale,
  dash: readonly number[],
): void {
  const { parameters, spanCount, perSpan } = samplesOf(curve);
  const [low, high] = y.domain;
  const stride = perSpan + 1;
  // Both scales are straight: a product and a sum for each of the samples.
  const [x0, y0] = [axis(0), y(0)];
  const [perParameter, perValue] = [axis(1) - x0, y(1) - y0];
  pen.strokeStyle = colours.ink;
  pen.lineWidth = 1.5;
  pen.lineJoin = 'round';
  pen.setLineDash([...dash]);
  pen.beginPath();
  const px = (at: number): number => x0 + perParameter * parameters[at]!;
  const py = (at: number): number => y0 + perValue * values[at]!;
  const [start, end] = part ?? axis.domain;
  for (let first = 0; first < spanCount * stride; first += stride) {
    if (parameters[first]! > end || parameters[first + perSpan]! < start) continue;
    pen.moveTo(px(first), py(first));
    addLine(pen, first, first + perSpan, px, py);
  }
  pen.stroke();
  const jumps = Array.from({ length: spanCount }, (_, span) => span * stride).filter(
    // Across a pole nothing jumps from one value to the next.
    (at) =>
      at > 0 &&
      parameters[at] === parameters[at - 1] &&
      Math.abs(values[at]! - values[at - 1]!) >= 1e-6 * (high - low),
  );
  pen.setLineDash([2, 2]);
  pen.beginPath();
  for (const at of jumps) {
    pen.moveTo(axis(parameters[at]!), y(values[at - 1]!));
    pen.lineTo(axis(parameters[at]!), y(values[at]!));
  }
  pen.stroke();
  pen.setLineDash([]);
  pen.beginPath();
  for (const at of jumps) {
    const x = axis(parameters[at]!);
    for (const value of [values[at - 1]!, values[at]!]) {
      pen.moveTo(x - 4, y(value));
      pen.lineTo(x + 4, y(value));
    }
  }
  pen.stroke();
}
