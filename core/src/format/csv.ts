import { domainOf } from '../curve/knotVector.js';
import { editPoints } from '../curve/editPoint.js';
import { arcLengthTable } from '../curve/arcLength.js';
import { curvatureAt } from '../curve/differential.js';
import { derivativesAt } from '../curve/evaluate.js';
import type { Curve } from '../curve/curve.js';
import { validateCurve } from '../curve/validate.js';
import { CurveError } from '../curve/error.js';
import { sampleCurve } from '../curve/sample.js';
import { choice, whole } from '../describe/describe.js';
import { looksOf } from '../figure/document/seen.js';
import { curveOf } from '../figure/evaluation/evaluate.js';
import type { FunctionsAt, TrackMember } from '../figure/track/define.js';
import { trackOf } from '../figure/track/tracks.js';
import { told } from '../told/told.js';
import { atLine, FormatError, type FormatMember, type OutgoingFigure, type WrittenFile } from './define.js';
import { asPeriodicWhereClosed, collected, type Incoming } from './incoming.js';
import { formatLimits, refuseTooLong } from './limits.js';
import { outgoingOf } from './outgoing.js';
import { mapTold, untold, within, type Reached } from './reached.js';

/** The columns of every row; a cell that does not count for its kind of row is empty. */
const columns = [
  'curve',
  'kind',
  'index',
  'x',
  'y',
  'z',
  'weight',
  'value',
  'degree',
  'closed',
  'length',
  'speed',
  'curvature',
] as const;
type Column = (typeof columns)[number];
/** A row has further cells for the tracks of the rail. */
type Row = Partial<Record<Column, string | number>> & Readonly<Record<string, string | number>>;

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

/** Signs that can stand between the cells of a row. */
const separators = [',', ';', '\t'] as const;

interface CsvOptions {
  readonly samples: number;
  readonly even: 'parameter' | 'length';
}
const first: CsvOptions = { samples: 0, even: 'parameter' };

/**
 * Curves as a table: a row for each control point with its weight, each knot, each edit point and, where wanted, each sample
 * with what the rail shows there: arc length from the start, speed and curvature, and what its other tracks plot.
 * The decimal sign is a point in every language; commas, semicolons and tabs between cells are recognised on reading, as is a
 * plain list of coordinates without a head.
 */
export const csv: FormatMember<'csv'> = {
  name: 'csv',
  endings: ['csv', 'txt'],
  mediaType: 'text/csv',
  keeps: 'digits',
  options: {
    samples: whole(0, 10_000),
    /** Whether samples stand at even steps of the parameter or of the arc length. */
    even: choice('parameter', 'length'),
  },
  first,
  write: writeCsv,
  read: readCsv,
};

function writeCsv(figure: OutgoingFigure, options: Partial<CsvOptions>, reached = untold): WrittenFile {
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

function readCsv(text: string, reached = untold) {
  refuseTooLong(text);
  const rows = tableOf(text.replace(/^\uFEFF/, ''), within(reached, 0, 0.8));
  if (rows.length === 0) throw new FormatError(told('fileNothing'));
  const head = rows[0]!.cells.map((name) => name.trim().toLowerCase());
  const incoming = head.includes('kind') ? curvesOf(head, rows.slice(1)) : [listOf(rows)];
  return collected(incoming, new Map(), 1);
}

interface TableRow {
  readonly line: number;
  readonly cells: readonly string[];
}

/** The rows that are not empty, by the separator that the first of them shows. */
function tableOf(text: string, reached: Reached): TableRow[] {
  const first = /[^\r\n]+/.exec(text)?.[0] ?? '';
  const outside = first.replace(/"(?:[^"]|"")*"/g, '');
  const separator =
    separators.find((sign) => outside.includes(sign)) ?? (/\S\s+\S/.test(outside.trim()) ? ' ' : ',');
  const rows: TableRow[] = [];
  let [line, at, from] = [1, 0, 1];
  let cells: string[] = [];
  const end = (): void => {
    if (cells.length > 1 || cells[0] !== '') rows.push({ line: from, cells });
    if (rows.length % 1024 === 0) reached(at / text.length);
    if (rows.length > formatLimits.rows)
      throw atLine(line, told('fileTooMany', { most: formatLimits.rows, what: 'rows' }));
    cells = [];
    from = line;
  };
  while (at <= text.length) {
    if (separator === ' ' && cells.length === 0) while (text[at] === ' ') at++;
    let value = '';
    if (text[at] === '"') {
      const close = /"((?:[^"]|"")*)"/y;
      close.lastIndex = at;
      const found = close.exec(text);
      if (!found) throw atLine(line, told('fileEnds'));
      value = found[1]!.replaceAll('""', '"');
      line += (value.match(/\n/g) ?? []).length;
      at += found[0].length;
    } else {
      const start = at;
      while (at < text.length && text[at] !== separator && text[at] !== '\n' && text[at] !== '\r') at++;
      value = text.slice(start, at).trim();
    }
    cells.push(value);
    if (cells.length > formatLimits.cells)
      throw atLine(line, told('fileTooMany', { most: formatLimits.cells, what: 'cells' }));
    const sign = text[at];
    if (sign !== undefined && sign !== separator && sign !== '\n' && sign !== '\r')
      throw atLine(line, told('fileSign', { wanted: separator, found: text.slice(at, at + 8) }));
    if (separator === ' ' && sign === ' ') {
      while (text[at] === ' ') at++;
      continue;
    }
    at++;
    if (sign === separator) continue;
    if (sign === '\r' && text[at] === '\n') at++;
    line++;
    end();
    if (sign === undefined) break;
  }
  return rows;
}

function numberIn(written: string, line: number): number {
  const value = Number(written);
  if (written.trim() === '' || !/^[+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?$/.test(written.trim()))
    throw atLine(line, told('fileNumber', { found: written.slice(0, 24) }));
  if (!Number.isFinite(value)) throw atLine(line, told('fileNumberRange', { found: written.slice(0, 24) }));
  return value;
}

/** A plain list of coordinates is one straight piece after the other. */
function listOf(rows: readonly TableRow[]): Incoming {
  const first = rows[0]!;
  const isHead = first.cells.some((value) => value !== '' && Number.isNaN(Number(value)));
  const points = (isHead ? rows.slice(1) : rows).map(({ cells, line }) => {
    if (cells.length < 2 || cells.length > 3)
      throw atLine(line, told('fileCells', { count: cells.length, wanted: 2 }));
    return cells.map((value) => numberIn(value, line));
  });
  if (points.length === 1) return { name: '', at: points[0]! };
  const last = points.length - 1;
  return {
    name: '',
    curve: checked({ degree: 1, knots: [0, ...points.map((_, k) => k), last], points }, first.line),
  };
}

function checked(curve: Curve, line: number): Curve {
  try {
    validateCurve(curve);
    return curve;
  } catch (error) {
    if (error instanceof CurveError) throw atLine(line, error.told);
    throw error;
  }
}

interface Table {
  readonly line: number;
  readonly points: number[][];
  readonly weights: number[];
  readonly knots: number[];
  degree?: number;
  closed?: boolean;
}

/** The curves of a table with a head: their points, weights and knots; edit points and samples follow from these. */
function curvesOf(head: readonly string[], rows: readonly TableRow[]): Incoming[] {
  const at = (name: Column): number => head.indexOf(name);
  if (at('x') < 0 || at('y') < 0) throw atLine(1, told('fileColumns'));
  const tables = new Map<string, Table>();
  const points: Incoming[] = [];
  for (const { line, cells } of rows) {
    if (cells.length !== head.length)
      throw atLine(line, told('fileCells', { count: cells.length, wanted: head.length }));
    const read = (name: Column): string => (at(name) < 0 ? '' : cells[at(name)]!);
    const number = (name: Column): number => numberIn(read(name), line);
    const name = read('curve');
    const kind = read('kind').trim().toLowerCase();
    const place = (): number[] => [number('x'), number('y'), ...(read('z') === '' ? [] : [number('z')])];
    if (kind === 'reference point') {
      points.push({ name, at: place() });
      continue;
    }
    if (kind === 'edit point' || kind === 'sample') continue;
    if (kind !== 'point' && kind !== 'knot') throw atLine(line, told('fileColumns'));
    let table = tables.get(name);
    if (!table) tables.set(name, (table = { line, points: [], weights: [], knots: [] }));
    if (kind === 'knot') {
      table.knots.push(number('value'));
      continue;
    }
    table.points.push(place());
    if (read('weight') !== '') table.weights.push(number('weight'));
    if (read('degree') !== '') table.degree = number('degree');
    if (read('closed') === 'periodic') table.closed = true;
  }
  const curves = [...tables].map(([name, table]): Incoming => {
    const { points: own, weights, knots, degree, closed, line } = table;
    const curve: Curve = {
      degree: degree ?? knots.length - own.length - 1,
      knots,
      points: own,
      ...(weights.length > 0 ? { weights } : {}),
      ...(weights.some((weight) => weight <= 0) ? { signedWeights: true as const } : {}),
    };
    return { name, curve: checked(closed ? asPeriodicWhereClosed(curve) : curve, line) };
  });
  return [...curves, ...points];
}
