import type { Curve, Point } from '../../curve/curve.js';
import { distinctKnots, domainOf, interiorKnots, spansOf } from '../../curve/knotVector.js';
import { sampleBasis } from '../../curve/sampleBasis.js';
import { sampleCurve } from '../../curve/sample.js';
import { sampleDistances } from '../../curve/sampleDistances.js';
import type { Plot, TrackMember } from '../../figure/track/define.js';
import { trackOf, type TrackName } from '../../figure/track/tracks.js';
import { place } from './path.js';
import { spanColours, type Paper, type Part } from './paper.js';

/** Sizes in millimetres on paper. */
const sizes = { knots: 11, plot: 17, gap: 3, left: 13, name: 2.8, number: 2.2, line: 0.25, hair: 0.13 };
/** A rail is at least this wide, in millimetres on paper. */
const narrowest = 90;

/** Even steps in each span, more where spans are few. */
const stepsOf = (curve: Curve): number =>
  2 * Math.max(4, Math.min(24, Math.round(210 / spansOf(curve.knots, curve.degree).length)));

/** Where a track is drawn: its plot's box, in the drawing's unit. */
interface Frame {
  readonly x: (u: number) => number;
  readonly from: number;
  readonly to: number;
  readonly top: number;
  readonly bottom: number;
}

/**
 * The tracks of the rail of a curve, below one another, as the figure has them: each over the same axis of the parameter, with dotted lines
 * at the knots.
 * @param corner the upper left corner of the whole, in the drawing's unit
 */
export function railOf(
  curve: Curve,
  compared: Curve | undefined,
  paper: Paper,
  corner: Point,
  width: number,
): Part {
  const [left, upper] = corner as [number, number];
  const [from, to] = [left + paper.length(sizes.left), left + Math.max(width, paper.length(narrowest))];
  const [start, end] = domainOf(curve.knots, curve.degree);
  const x = (u: number): number => from + ((to - from) * (u - start)) / (end - start);
  let top = upper;
  const parts = paper.document.rail.tracks.flatMap((name): Part[] => {
    const bottom = top - paper.length(name === 'knots' ? sizes.knots : sizes.plot);
    const frame: Frame = { x, from, to, top, bottom };
    const part = trackIn(name, curve, compared, paper, frame);
    if (!part) return [];
    top = bottom - paper.length(sizes.gap);
    return [part];
  });
  return {
    elements: parts.flatMap(({ elements }) => elements),
    places: [corner, [to + paper.length(1), top], ...parts.flatMap(({ places }) => places)],
  };
}

function trackIn(
  name: TrackName,
  curve: Curve,
  compared: Curve | undefined,
  paper: Paper,
  frame: Frame,
): Part | undefined {
  if (name === 'knots') return knotTrack(curve, paper, frame);
  if (name === 'basis') return basisTrack(curve, paper, frame);
  const member = trackOf(name);
  return plotTrack(member, curve, compared, paper, frame);
}

const joined = (...parts: readonly Part[]): Part => ({
  elements: parts.flatMap(({ elements }) => elements),
  places: parts.flatMap(({ places }) => places),
});

const path = (data: string, attributes: string): string =>
  data === '' ? '' : `<path d="${data}" fill="none" ${attributes}/>`;

const line = (places: readonly Point[]): string =>
  places.length > 1 ? `M${places.map(place).join('L')}` : '';

/** Dotted lines at the knots within the curve, from track to track. */
function knotLines(curve: Curve, paper: Paper, { x, top, bottom }: Frame): string {
  const lines = interiorKnots(curve.knots, curve.degree).map(({ value }) =>
    line([
      [x(value), top],
      [x(value), bottom],
    ]),
  );
  return path(
    lines.join(''),
    `stroke="${paper.soft}" stroke-width="${paper.written(sizes.hair)}" stroke-dasharray="${paper.written(0.4)} ${paper.written(0.8)}"`,
  );
}

/** Spans in their colours, every knot with as many bars as its multiplicity, and its value below. */
function knotTrack(curve: Curve, paper: Paper, { x, from, to, top, bottom }: Frame): Part {
  const [start, end] = domainOf(curve.knots, curve.degree);
  const axis = bottom + paper.length(4.2);
  const spans = spansOf(curve.knots, curve.degree).map((span, index) =>
    path(
      line([
        [x(span.start), axis],
        [x(span.end), axis],
      ]),
      `stroke="${paper.isColoured ? spanColours[index % spanColours.length]! : '#000'}" stroke-width="${paper.written(paper.isColoured ? 1 : 0.5)}" stroke-linecap="butt"`,
    ),
  );
  const knots = distinctKnots(curve.knots, curve.degree).filter(
    ({ value }) => value >= start && value <= end,
  );
  const room = top - axis - paper.length(1.5);
  const bars = knots.flatMap(({ value, multiplicity }) => {
    const pitch = Math.min(paper.length(1), room / multiplicity);
    return Array.from({ length: multiplicity }, (_, bar) => {
      const y = axis + paper.length(1.2) + bar * pitch;
      return line([
        [x(value) - paper.length(1.1), y],
        [x(value) + paper.length(1.1), y],
      ]);
    });
  });
  let free = -Infinity;
  const values = knots.flatMap(({ value }): Part[] => {
    const text = paper.text([x(value), bottom], String(Number(value.toPrecision(4))), {
      height: sizes.number,
      anchor: 'middle',
      colour: paper.soft,
    });
    const [low, high] = text.places as [Point, Point];
    const isLast = value === end;
    if (low[0]! < free || (!isLast && high[0]! > x(end) - paper.length(4))) return [];
    free = high[0]! + paper.length(0.8);
    return [text];
  });
  return joined(
    {
      elements: [
        ...spans,
        path(bars.join(''), `stroke="#1b2530" stroke-width="${paper.written(0.5)}" stroke-linecap="butt"`),
      ],
      places: [
        [from, top],
        [to, bottom],
      ],
    },
    letter(paper.notation.parameter, paper, { from, at: axis }),
    ...values,
  );
}

/** What stands before a track: what its values are called. */
const letter = (words: string, paper: Paper, { from, at }: { from: number; at: number }): Part =>
  paper.text([from - paper.length(sizes.left), at - paper.length(0.8)], words, {
    height: sizes.name,
    colour: '#1b2530',
  });

/** Every basis function over its support, with its name above its peak. */
function basisTrack(curve: Curve, paper: Paper, frame: Frame): Part {
  const { x, from, to, top, bottom } = frame;
  const high = top - paper.length(3.4);
  const { degree, signedWeights } = curve;
  // With weights of any sign functions leave the range from zero to one.
  const base = signedWeights ? bottom + 0.4 * (high - bottom) : bottom;
  const { parameters, values, firstIndex, spanCount, perSpan } = sampleBasis(curve, stepsOf(curve));
  const lines: Point[][][] = curve.points.map(() => []);
  const peaks = curve.points.map(() => ({ u: 0, value: -1 }));
  for (let span = 0; span < spanCount; span++)
    for (let column = 0; column <= degree; column++) {
      const index = firstIndex[span]! + column;
      const part: Point[] = [];
      for (let step = 0; step <= perSpan; step++) {
        const sample = span * (perSpan + 1) + step;
        const [u, value] = [parameters[sample]!, values[sample * (degree + 1) + column]!];
        if (value > peaks[index]!.value && value <= 1 + 1e-12) peaks[index] = { u, value };
        const y = base + value * (high - base);
        if (y <= top && y >= bottom) part.push([x(u), y]);
      }
      lines[index]!.push(part);
    }
  const sign = curve.weights ? 'R' : 'N';
  let free = -Infinity;
  const names = peaks.flatMap(({ u, value }, index): Part[] => {
    if (value < 0 || x(u) < free) return [];
    free = x(u) + paper.length(6);
    const at = Math.min(Math.max(x(u), from + paper.length(2)), to - paper.length(2));
    return [
      paper.text(
        [at, base + value * (high - base) + paper.length(0.8)],
        [sign, index + paper.notation.first],
        { height: 2.4, anchor: 'middle', colour: paper.soft },
      ),
    ];
  });
  return joined(
    {
      elements: [
        knotLines(curve, paper, frame),
        baseLine(base, paper, frame),
        path(
          lines.map((parts) => parts.map(line).join('')).join(''),
          `stroke="${paper.soft}" stroke-width="${paper.written(sizes.line)}"`,
        ),
      ],
      places: [
        [from, top],
        [to, bottom],
      ],
    },
    ...names,
  );
}

const baseLine = (y: number, paper: Paper, { from, to }: Frame): string =>
  path(
    line([
      [from, y],
      [to, y],
    ]),
    `stroke="${paper.soft}" stroke-width="${paper.written(sizes.hair)}"`,
  );

/** The next of 1, 1.5, 2, 3, 5, 7 times a power of ten. */
function roundedUp(value: number): number {
  if (value === 0) return 0;
  const power = 10 ** Math.floor(Math.log10(value));
  return power * ([1, 1.5, 2, 3, 5, 7, 10].find((step) => step * power >= value * (1 - 1e-12)) ?? 10);
}

/** Numbers over the parameter, as the registry of tracks describes them; nothing where there are none. */
function plotTrack(
  member: TrackMember,
  curve: Curve,
  compared: Curve | undefined,
  paper: Paper,
  frame: Frame,
): Part | undefined {
  const samples = sampleCurve(curve, stepsOf(curve));
  const { floor } = member;
  const input = {
    curve,
    samples,
    ...(compared
      ? { compared, distances: () => sampleDistances(samples, sampleCurve(compared, stepsOf(compared))) }
      : {}),
  };
  const plotted = (member.plots ?? []).flatMap((plot): { plot: Plot; values: Float64Array }[] => {
    const values = plot.values(input);
    if (!values) return [];
    const drawn =
      floor === undefined ? values : values.map((value) => Math.log10(Math.max(Math.abs(value), floor)));
    return [{ plot, values: drawn }];
  });
  if (plotted.length === 0) return undefined;
  const [low, high] =
    floor === undefined
      ? rangeOf(
          plotted.map(({ values }) => values),
          curve.signedWeights === true,
        )
      : [Math.log10(floor), 0];
  const { x, from, to, top, bottom } = frame;
  const y = (value: number): number => bottom + ((top - bottom) * (value - low)) / (high - low);
  const lines = plotted.map(({ plot, values }) => {
    const data: string[] = [];
    let part: Point[] = [];
    const end = (): void => {
      data.push(line(part));
      part = [];
    };
    values.forEach((value, sample) => {
      const begins = sample % (samples.perSpan + 1) === 0;
      if (begins && sample > 0 && Math.abs(value - values[sample - 1]!) > 1e-6 * (high - low)) end();
      if (value < low || value > high) end();
      else part.push([x(samples.parameters[sample]!), y(value)]);
    });
    end();
    const dash = plot.dashed ? ` stroke-dasharray="${paper.written(1.4)} ${paper.written(0.9)}"` : '';
    return path(data.join(''), `stroke="#1b2530" stroke-width="${paper.written(sizes.line)}"${dash}`);
  });
  const shown = (value: number): string =>
    floor === undefined ? String(Number(value.toPrecision(3))) : value === 0 ? '1' : `1e${Math.round(value)}`;
  const ends = (low === 0 || high === 0 ? [low, high] : [low, 0, high]).map((value) =>
    paper.text([from - paper.length(0.8), y(value) - paper.length(0.7)], shown(value), {
      height: sizes.number,
      anchor: 'end',
      colour: paper.soft,
    }),
  );
  const signs = plotted.flatMap(({ plot: { sign } }) => (sign ? [sign] : []));
  return joined(
    {
      elements: [
        knotLines(curve, paper, frame),
        baseLine(y(floor === undefined ? 0 : low), paper, frame),
        ...lines,
      ],
      places: [
        [from, top],
        [to, bottom],
      ],
    },
    letter(signs.length > 0 ? signs.join(' ') : (member.letter ?? ''), paper, {
      from,
      at: (top + bottom) / 2 + paper.length(2.6),
    }),
    ...ends,
  );
}

/**
 * The range of plotted values, with zero.
 * @param hasPoles whether they may grow without bound: then what is far beyond most of them leaves the track
 */
function rangeOf(all: readonly Float64Array[], hasPoles: boolean): [number, number] {
  const sizes = hasPoles ? all.flatMap((values) => Array.from(values, Math.abs)).sort((a, b) => a - b) : [];
  const most = 20 * (sizes[sizes.length >> 1] ?? 0) || Infinity;
  let [low, high] = [0, 0];
  for (const values of all)
    for (const value of values) {
      if (!(Math.abs(value) <= most) || !Number.isFinite(value)) continue;
      low = Math.min(low, value);
      high = Math.max(high, value);
    }
  const [down, up] = [-roundedUp(-low), roundedUp(high)];
  return down === 0 && up === 0 ? [0, 1] : [down === 0 ? 0 : down, up];
}
