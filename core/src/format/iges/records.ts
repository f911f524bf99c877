import { told } from '../../told/told.js';
import { atLine, FormatError } from '../define.js';
import { formatLimits, refuseTooLong } from '../limits.js';
import { untold } from '../reached.js';

/** A value of a parameter: a number, a text, or what is left to its usual value. */
export type IgesValue =
  | { readonly kind: 'whole' | 'real'; readonly value: number }
  | { readonly kind: 'text'; readonly value: string }
  | { readonly kind: 'usual' };

/** An entity: its directory entry and its parameters. */
export interface IgesEntity {
  /** The number of its first line in the directory, by which others refer to it. */
  readonly id: number;
  /** Its line in the file. */
  readonly line: number;
  readonly type: number;
  readonly form: number;
  /** The number of its transformation in the directory, or 0. */
  readonly transformation: number;
  /** Two digits each: blank status, subordinate switch, use flag, hierarchy. */
  readonly status: string;
  readonly label: string;
  /** Without the number of the entity's type, which stands first in the file. */
  readonly values: readonly IgesValue[];
}

export interface IgesFile {
  readonly global: readonly IgesValue[];
  readonly entities: ReadonlyMap<number, IgesEntity>;
}

type Section = 'S' | 'G' | 'D' | 'P' | 'T';
interface Line {
  readonly text: string;
  readonly number: number;
}

/**
 * Reads the sections of a file by IGES 5.3 (ANS US PRO/IPO-100-1996), fixed format in ASCII, and nothing that it does not
 * allow.
 * @throws FormatError with the line and the reason
 */
export function parseIges(text: string, reached = untold): IgesFile {
  refuseTooLong(text);
  const sections = sectionsOf(text);
  const join = (lines: readonly Line[], width: number): string =>
    lines.map(({ text: line }) => line.slice(0, width).padEnd(width)).join('');
  const globalText = join(sections.G, 72);
  const signs = delimitersOf(globalText, sections.G[0]!.number);
  const global = valuesOf(globalText, signs, () => sections.G[0]!.number);
  const entities = new Map<number, IgesEntity>();
  const { D, P } = sections;
  if (D.length % 2 !== 0) throw atLine(D.at(-1)!.number, told('fileEnds'));
  if (D.length / 2 > formatLimits.entities)
    throw atLine(D[0]!.number, told('fileTooMany', { most: formatLimits.entities, what: 'entities' }));
  for (let k = 0; k < D.length; k += 2) {
    if (k % 256 === 0) reached(k / D.length);
    const [first, second] = [D[k]!, D[k + 1]!];
    const field = (line: Line, index: number): number => {
      const written = line.text.slice(8 * index, 8 * index + 8).trim();
      if (!/^-?\d*$/.test(written)) throw atLine(line.number, told('fileNumber', { found: written }));
      return Number(written);
    };
    const type = field(first, 0);
    if (field(second, 0) !== type)
      throw atLine(second.number, told('fileSign', { wanted: String(type), found: second.text.slice(0, 8) }));
    const [start, count] = [field(first, 1), field(second, 3)];
    const lines = P.slice(start - 1, start - 1 + count);
    if (start < 1 || count < 1 || lines.length !== count)
      throw atLine(first.number, told('fileRefersToNothing', { of: `D${k + 1}`, id: `P${start}` }));
    for (const line of lines)
      if (Number(line.text.slice(64, 72)) !== k + 1)
        throw atLine(
          line.number,
          told('fileSign', { wanted: `D${k + 1}`, found: line.text.slice(64, 72).trim() }),
        );
    const [own, ...values] = valuesOf(join(lines, 64), signs, () => lines[0]!.number);
    if (own?.kind !== 'whole' || own.value !== type)
      throw atLine(
        lines[0]!.number,
        told('fileSign', { wanted: String(type), found: lines[0]!.text.slice(0, 8) }),
      );
    entities.set(k + 1, {
      id: k + 1,
      line: lines[0]!.number,
      type,
      form: field(second, 4),
      transformation: field(first, 6),
      status: first.text.slice(64, 72),
      label: second.text.slice(56, 64).trim(),
      values,
    });
  }
  return { global, entities };
}

/** The lines of each section, whose order, numbers and counts are checked. */
function sectionsOf(text: string): Record<Section, Line[]> {
  const sections: Record<Section, Line[]> = { S: [], G: [], D: [], P: [], T: [] };
  const order = 'SGDPT';
  let now = 0;
  const lines = text.split(/\r\n|\n|\r/);
  while (lines.at(-1) === '') lines.pop();
  for (const [index, line] of lines.entries()) {
    const number = index + 1;
    if (line.length !== 80) throw atLine(number, told('fileLineLength', { count: line.length, wanted: 80 }));
    const letter = line[72]!;
    const place = order.indexOf(letter);
    if (place < 0 || place < now)
      throw atLine(number, told('fileSign', { wanted: order.slice(now), found: letter }));
    now = place;
    const section = sections[letter as Section];
    if (!/^ *0*\d+$/.test(line.slice(73)) || Number(line.slice(73)) !== section.length + 1)
      throw atLine(
        number,
        told('fileSign', { wanted: `${letter}${section.length + 1}`, found: line.slice(72) }),
      );
    section.push({ text: line, number });
  }
  const last = lines.length;
  if (sections.T.length !== 1) throw atLine(Math.max(1, last), told('fileEnds'));
  const [{ text: terminate, number }] = sections.T as [Line];
  for (const [at, letter] of (['S', 'G', 'D', 'P'] as const).entries()) {
    const written = terminate.slice(8 * at, 8 * at + 8);
    if (written[0] !== letter || Number(written.slice(1)) !== sections[letter].length)
      throw atLine(
        number,
        told('fileSign', { wanted: `${letter}${sections[letter].length}`, found: written }),
      );
    if (sections[letter].length === 0) throw atLine(number, told('fileNothing'));
  }
  return sections;
}

interface Delimiters {
  readonly parameter: string;
  readonly record: string;
}

/** The signs between parameters and at the end of a record, which the first two parameters of the global section give. */
function delimitersOf(global: string, line: number): Delimiters {
  const first = /^1H(.)/.exec(global)?.[1];
  const parameter = first ?? ',';
  const rest = first === undefined ? global.slice(1) : global.slice(4);
  const second = /^1H(.)/.exec(rest)?.[1];
  if ((first === undefined && global[0] !== ',') || (second === undefined && rest[0] !== parameter))
    throw atLine(line, told('fileSign', { wanted: '1H', found: global.slice(0, 8) }));
  return { parameter, record: second ?? ';' };
}

/** The parameters of a record up to its end. */
function valuesOf(text: string, { parameter, record }: Delimiters, line: () => number): IgesValue[] {
  const values: IgesValue[] = [];
  let at = 0;
  for (;;) {
    while (text[at] === ' ') at++;
    const strung = /(\d{1,7})H/y;
    strung.lastIndex = at;
    const count = strung.exec(text)?.[1];
    let value: IgesValue;
    if (count !== undefined) {
      const from = at + count.length + 1;
      at = from + Number(count);
      if (at > text.length) throw atLine(line(), told('fileEnds'));
      value = { kind: 'text', value: text.slice(from, at) };
    } else {
      const from = at;
      while (at < text.length && text[at] !== parameter && text[at] !== record) at++;
      value = numberOf(text.slice(from, at).trim(), line);
    }
    values.push(value);
    while (text[at] === ' ') at++;
    if (at >= text.length) throw atLine(line(), told('fileEnds'));
    if (text[at] === record) return values;
    if (text[at] !== parameter)
      throw atLine(
        line(),
        told('fileSign', { wanted: `${parameter} or ${record}`, found: text.slice(at, at + 8) }),
      );
    at++;
  }
}

/** A whole number, a real (with a point, or an exponent by E or D), or nothing, which leaves the usual value. */
function numberOf(written: string, line: () => number): IgesValue {
  if (written === '') return { kind: 'usual' };
  const isWhole = /^[+-]?\d+$/.test(written);
  if (!isWhole && !/^[+-]?(?:\d+\.\d*|\.\d+|\d+(?=[ED]))(?:[ED][+-]?\d+)?$/.test(written))
    throw atLine(line(), told('fileNumber', { found: written.slice(0, 24) }));
  const value = Number(written.replace('D', 'E'));
  if (!Number.isFinite(value)) throw atLine(line(), told('fileNumberRange', { found: written.slice(0, 24) }));
  return { kind: isWhole ? 'whole' : 'real', value };
}

/** A fault of an entity. */
export function wrongEntity(of: IgesEntity, reason: ReturnType<typeof told>): FormatError {
  return atLine(of.line, told('fileEntity', { of: `${of.type}`, reason }));
}

/** The lines of a section: its text in columns, the letter and the number. */
export function sectionLines(letter: Section, texts: readonly string[]): string[] {
  return texts.map((text, k) => `${text.padEnd(72)}${letter}${String(k + 1).padStart(7)}`);
}

/** Parameters in lines of at most so many columns; a number is never broken, a text may be. */
export function inLines(parameters: readonly string[], width: number): string[] {
  const lines: string[] = [];
  let line = '';
  const all = parameters.map((parameter, k) => `${parameter}${k === parameters.length - 1 ? ';' : ','}`);
  for (let text of all) {
    if (line.length + text.length > width && line !== '') {
      lines.push(line);
      line = '';
    }
    while (text.length > width) {
      lines.push(text.slice(0, width));
      text = text.slice(width);
    }
    line += text;
  }
  lines.push(line);
  return lines;
}

/** A text as IGES counts it; it knows no signs beyond ASCII. */
export const igesText = (text: string): string => `${text.length}H${text}`;

/** Whether a text can be written, and what stands for the signs that can’t. */
export const inAscii = (text: string): string => text.replace(/[^\x20-\x7e]/g, '_');
