import { domainOf } from '../../curve/knotVector.js';
import { editPoints } from '../../curve/editPoint.js';
import { arcLengthTable } from '../../curve/arcLength.js';
import { curvatureAt } from '../../curve/differential.js';
import { derivativesAt } from '../../curve/evaluate.js';
import type { Curve } from '../../curve/curve.js';
import { sampleCurve } from '../../curve/sample.js';
import { looksOf } from '../../figure/document/seen.js';
import { curveOf } from '../../figure/evaluation/evaluate.js';
import type { FunctionsAt, TrackMember } from '../../figure/track/define.js';
import { trackOf } from '../../figure/track/tracks.js';
import { told } from '../../told/told.js';
import { FormatError, type OutgoingFigure, type WrittenFile } from '../define.js';
import { formatLimits } from '../limits.js';
import { outgoingOf } from '../outgoing.js';
import { mapTold, untold } from '../reached.js';
import { columns, type Row } from './columns.js';

/** Samples of each span for plots that are found between samples. */
const samplesOfPlot = 64;

/** A track's line as a column; what every sample has anyhow is none. */
interface TrackColumn {
  readonly name: string;
  /** Its value along a curve. */
  readonly along: (curve: Curve) => (u: number) => number | undefined;
}

/** Functions of a curve with an index each are no columns where there are more of them than this. */
const mostOfFamily = 200;

const hasColumns = ({ points }: Curve): boolean => points.length <= mostOfFamily;

type Family = NonNullable<TrackMember['family']>;

/** A column for each function, as many as the curve with the most has; a curve has none beyond its own. */
function familyColumns(track: string, family: Family, curves: readonly Curve[]): TrackColumn[] {
  const count = Math.max(0, ...curves.filter(hasColumns).map(({ points }) => points.length));
  // A row asks for every function at one parameter.
  let last: { readonly curve: Curve; readonly u: number; readonly there: FunctionsAt } | undefined;
  const at = (curve: Curve, u: number): FunctionsAt => {
    if (last?.curve !== curve || last.u !== u) last = { curve, u, there: family(curve, u) };
    return last.there;
  };
  return Array.from({ length: count }, (_, index) => ({
    name: `${track} ${index}`,
    along: (curve) => {
      if (index >= curve.points.length || !hasColumns(curve)) return () => undefined;
      return (u) => {
        const { firstIndex, values } = at(curve, u);
        return values[index - firstIndex] ?? 0;
      };
    },
  }));
}

function trackColumns({ document, evaluation }: OutgoingFigure, curves: readonly Curve[]): TrackColumn[] {
  const compared = curveOf(evaluation, looksOf(document).compareWith);
  return document.rail.tracks
    .filter((track) => !(columns as readonly string[]).includes(track))
    .flatMap((track) => {
      const { family, plots = [] } = trackOf(track);
      if (family) return familyColumns(track, family, curves);
      return plots.map(({ sign, at }): TrackColumn => ({
        name: sign ? `${track} ${sign}` : track,
        along: (curve) => {
          const input = {
            curve,
            samples: sampleCurve(curve, samplesOfPlot),
            ...(compared ? { compared } : {}),
          };
          return (u) => at(input, u);
        },
      }));
    });
}

interface CsvOptions {
  readonly samples: number;
  readonly even: 'parameter' | 'length';
}

export const first: CsvOptions = { samples: 0, even: 'parameter' };

export function writeCsv(
  figure: OutgoingFigure,
  options: Partial<CsvOptions>,
  reached = untold,
): WrittenFile {
  const { curves, points, lost } = outgoingOf(figure);
  const { samples, even } = { ...first, ...options };
  const plain = curves.map(({ curve }) => curve);
  const tracks = samples > 0 ? trackColumns(figure, plain) : [];
  const sampled = samples > 0 ? (samples + 1) * curves.length : 0;
  refuseMoreThan(formatLimits.rows, sampled, 'rows');
  refuseMoreThan(formatLimits.cellsOfSamples, sampled * (columns.length + tracks.length), 'cells');
  const many =
    samples > 0 && figure.document.rail.tracks.some((track) => trackOf(track).family)
      ? plain.filter((curve) => !hasColumns(curve)).length
      : 0;
  const unmeasured = samples > 0 ? curves.filter(({ curve }) => curve.signedWeights) : [];
  const rows: Row[] = [
    ...mapTold(curves, reached, ({ item, curve }) => rowsOf(item.name, curve, samples, even, tracks)).flat(),
    ...points.map(({ name, at }): Row => ({ curve: name, kind: 'reference point', ...coordinates(at) })),
  ];
  const all = [...columns, ...tracks.map(({ name }) => name)];
  const line = (cells: readonly unknown[]): string => cells.map(cell).join(',');
  return {
    text: [line(all), ...rows.map((row) => line(all.map((column) => row[column])))].join('\r\n') + '\r\n',
    lost: [
      ...lost,
      ...(unmeasured.length > 0 ? [told('lostLengths', { count: unmeasured.length })] : []),
      ...(many > 0 ? [told('lostBasis', { count: many, most: mostOfFamily })] : []),
    ],
  };
}

/** @throws FormatError before a table is made that no memory has room for, and that would not be read again */
function refuseMoreThan(most: number, count: number, what: 'rows' | 'cells'): void {
  if (count > most) throw new FormatError(told('fileTooMany', { most, what }));
}

const coordinates = ([x, y, z]: readonly number[]): Row => ({
  x: x!,
  y: y!,
  ...(z === undefined ? {} : { z }),
});

function rowsOf(
  name: string,
  curve: Curve,
  samples: number,
  even: CsvOptions['even'],
  tracks: readonly TrackColumn[],
): Row[] {
  const { degree, knots, points, weights, periodic } = curve;
  const cellsAt = cellsAlong(curve, tracks);
  return [
    ...points.map((point, index): Row => ({
      curve: name,
      kind: 'point',
      index,
      ...coordinates(point),
      ...(weights ? { weight: weights[index]! } : {}),
      degree,
      ...(periodic ? { closed: 'periodic' } : {}),
    })),
    ...knots.map((value, index): Row => ({ curve: name, kind: 'knot', index, value })),
    ...editPoints(curve).map(({ point, parameter }, index): Row => ({
      curve: name,
      kind: 'edit point',
      index,
      ...coordinates(point),
      value: parameter,
    })),
    ...samplesOf(curve, samples, even).map((sample, index): Row => ({
      curve: name,
      kind: 'sample',
      index,
      ...sample,
      ...cellsAt(Number(sample.value)),
    })),
  ];
}

/** What tracks plot at places of a curve, a cell for each that is there. */
function cellsAlong(curve: Curve, tracks: readonly TrackColumn[]): (u: number) => Record<string, number> {
  const lines = tracks.map(({ name, along }) => ({ name, at: along(curve) }));
  return (u) => {
    const cells: Record<string, number> = {};
    for (const { name, at } of lines) {
      const value = at(u);
      if (value !== undefined && Number.isFinite(value)) cells[name] = value;
    }
    return cells;
  };
}

/** A curve at even steps. Where a curve runs through infinity no length is measured, and the steps are those of the parameter. */
function samplesOf(curve: Curve, samples: number, even: CsvOptions['even']): Row[] {
  if (samples === 0) return [];
  const [start, end] = domainOf(curve.knots, curve.degree);
  const lengths = curve.signedWeights ? undefined : arcLengthTable(curve);
  return Array.from({ length: samples + 1 }, (_, index) => {
    const share = index / samples;
    const value =
      index === samples
        ? end
        : even === 'length' && lengths
          ? lengths.parameterAt(lengths.length * share)
          : start + (end - start) * share;
    const [point, tangent] = derivativesAt(curve, value, 1) as [number[], number[]];
    const curvature = curvatureAt(curve, value);
    return {
      ...coordinates(point),
      value,
      ...(lengths ? { length: lengths.lengthAt(value) } : {}),
      speed: Math.hypot(...tangent),
      ...(curvature === undefined ? {} : { curvature }),
    };
  });
}

/** A cell, in quotes where it has to be (RFC 4180). A text that a spreadsheet would take for a formula stays a text. */
function cell(value: unknown): string {
  if (value === undefined) return '';
  if (typeof value === 'number') return String(value);
  const text = String(value);
  const harmless = /^[=+\-@\t\r]/.test(text) ? `'${text}` : text;
  return /[",;\r\n]/.test(harmless) ? `"${harmless.replaceAll('"', '""')}"` : harmless;
}
