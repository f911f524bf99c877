import type { Curve } from '../../curve/curve.js';
import { validateCurve } from '../../curve/validate.js';
import { CurveError } from '../../curve/error.js';
import { told } from '../../told/told.js';
import { atLine, FormatError } from '../define.js';
import { asPeriodicWhereClosed, collected, type Incoming } from '../incoming.js';
import { formatLimits, refuseTooLong } from '../limits.js';
import { untold, within, type Reached } from '../reached.js';
import type { Column } from './columns.js';

/** Signs that can stand between the cells of a row. */
const separators = [',', ';', '\t'] as const;

export function readCsv(text: string, reached = untold) {
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
