import { told } from '../../told/told.js';
import { atLine, FormatError } from '../define.js';
import { formatLimits, refuseTooLong } from '../limits.js';
import { untold } from '../reached.js';

/** A value of an attribute in the exchange structure of ISO 10303-21. */
export type StepValue =
  | { readonly kind: 'whole' | 'real'; readonly value: number }
  | { readonly kind: 'text' | 'word' | 'bits'; readonly value: string }
  | { readonly kind: 'reference'; readonly id: number }
  | { readonly kind: 'list'; readonly values: readonly StepValue[] }
  | { readonly kind: 'typed'; readonly type: string; readonly values: readonly StepValue[] }
  | { readonly kind: 'unset' | 'derived' };

/** One record of an entity: its name and its attributes. */
export interface StepRecord {
  readonly name: string;
  readonly values: readonly StepValue[];
}

/** An instance of the data section: one record, or several where it is of several types at once. */
export interface StepInstance {
  readonly id: number;
  readonly line: number;
  readonly records: readonly StepRecord[];
}

export interface StepFile {
  readonly header: readonly StepRecord[];
  readonly instances: ReadonlyMap<number, StepInstance>;
}

/**
 * Reads the exchange structure of a file by the text of ISO 10303-21 (edition 2, clear text encoding, one data section),
 * and nothing that the standard does not allow.
 * @throws FormatError with the line and what stands there
 */
export function parseStep(text: string, reached = untold): StepFile {
  refuseTooLong(text);
  const scan = new Scan(text);
  scan.word('ISO-10303-21');
  scan.sign(';');
  scan.word('HEADER');
  scan.sign(';');
  const header: StepRecord[] = [];
  while (!scan.is('ENDSEC')) {
    header.push(scan.record());
    scan.sign(';');
  }
  scan.word('ENDSEC');
  scan.sign(';');
  for (const [at, name] of ['FILE_DESCRIPTION', 'FILE_NAME', 'FILE_SCHEMA'].entries())
    if (header[at]?.name !== name) throw scan.unexpected(name, header[at]?.name ?? 'ENDSEC');
  scan.word('DATA');
  scan.sign(';');
  const instances = new Map<number, StepInstance>();
  while (!scan.is('ENDSEC')) {
    const { line } = scan;
    const id = scan.instanceName();
    scan.sign('=');
    const records = scan.peek() === '(' ? scan.complex() : [scan.record()];
    scan.sign(';');
    if (instances.has(id)) throw atLine(line, told('fileTwice', { of: `#${id}` }));
    if (instances.size >= formatLimits.entities)
      throw atLine(line, told('fileTooMany', { most: formatLimits.entities, what: 'entities' }));
    instances.set(id, { id, line, records });
    if (instances.size % 256 === 0) reached(scan.share);
  }
  scan.word('ENDSEC');
  scan.sign(';');
  scan.word('END-ISO-10303-21');
  scan.sign(';');
  scan.end();
  return { header, instances };
}

const letters = /[A-Za-z]/;
const numeral = /[+-]?\d+(?:\.\d*(?:E[+-]?\d+)?)?/y;
const keyword = /[A-Z][A-Z0-9_]*/y;
const sectionWord = /[A-Z0-9][A-Z0-9-]*/y;

/** Goes through the text from its beginning to its end. */
class Scan {
  private at = 0;
  /** Up to where lines were counted, and how many there were. */
  private counted = 0;
  private lines = 1;
  private valueCount = 0;

  constructor(private readonly text: string) {}

  /** How much of the text was read. */
  get share(): number {
    return this.at / this.text.length;
  }

  get line(): number {
    this.skip();
    for (; this.counted < this.at; this.counted++) if (this.text[this.counted] === '\n') this.lines++;
    return this.lines;
  }

  unexpected(wanted: string, found?: string): FormatError {
    const { line } = this;
    if (found === undefined && this.at >= this.text.length) return atLine(line, told('fileEnds'));
    return atLine(line, told('fileSign', { wanted, found: found ?? this.text.slice(this.at, this.at + 12) }));
  }

  peek(): string | undefined {
    this.skip();
    return this.text[this.at];
  }

  is(word: string): boolean {
    this.skip();
    return this.text.startsWith(word, this.at);
  }

  sign(sign: string): void {
    if (this.peek() !== sign) throw this.unexpected(sign);
    this.at++;
  }

  word(word: string): void {
    if (!this.is(word) || this.match(sectionWord) !== word) throw this.unexpected(word);
  }

  end(): void {
    if (this.peek() !== undefined) throw this.unexpected('the end of the file');
  }

  instanceName(): number {
    this.sign('#');
    const digits = this.match(/\d+/y);
    if (digits === undefined || digits.length > 15 || Number(digits) === 0) throw this.unexpected('a number');
    return Number(digits);
  }

  record(): StepRecord {
    const name = this.peek() && this.match(keyword);
    if (!name) throw this.unexpected('the name of an entity');
    return { name, values: this.list(0) };
  }

  /** An instance of several types at once, whose records stand in the order of their names (11.2.5.2). */
  complex(): StepRecord[] {
    this.sign('(');
    const records: StepRecord[] = [];
    while (this.peek() !== ')') {
      const record = this.record();
      const before = records.at(-1)?.name;
      if (before !== undefined && record.name <= before)
        throw this.unexpected(`an entity after ${before} by its letters`, record.name);
      records.push(record);
    }
    this.sign(')');
    if (records.length === 0) throw this.unexpected('the name of an entity');
    return records;
  }

  private list(depth: number): StepValue[] {
    if (depth > formatLimits.depth)
      throw atLine(this.line, told('fileTooDeep', { most: formatLimits.depth }));
    this.sign('(');
    const values: StepValue[] = [];
    if (this.peek() === ')') {
      this.at++;
      return values;
    }
    for (;;) {
      values.push(this.value(depth));
      const next = this.peek();
      if (next !== ',' && next !== ')') throw this.unexpected(', or )');
      this.at++;
      if (next === ')') return values;
    }
  }

  private value(depth: number): StepValue {
    if (++this.valueCount > formatLimits.values)
      throw atLine(this.line, told('fileTooMany', { most: formatLimits.values, what: 'values' }));
    const sign = this.peek();
    switch (sign) {
      case undefined:
        throw this.unexpected('a value');
      case '$':
        this.at++;
        return { kind: 'unset' };
      case '*':
        this.at++;
        return { kind: 'derived' };
      case '#':
        return { kind: 'reference', id: this.instanceName() };
      case "'":
        return { kind: 'text', value: this.quoted() };
      case '(':
        return { kind: 'list', values: this.list(depth + 1) };
      case '.': {
        const word = this.match(/\.[A-Z][A-Z0-9_]*\./y);
        if (!word) throw this.unexpected('a word between dots');
        return { kind: 'word', value: word.slice(1, -1) };
      }
      case '"': {
        const bits = this.match(/"[0-3][0-9A-F]*"/y);
        if (!bits) throw this.unexpected('bits');
        return { kind: 'bits', value: bits.slice(1, -1) };
      }
    }
    if (letters.test(sign)) {
      const type = this.match(keyword);
      if (!type) throw this.unexpected('a value');
      return { kind: 'typed', type, values: this.list(depth + 1) };
    }
    const number = this.match(numeral);
    if (number === undefined) throw this.unexpected('a value');
    const value = Number(number);
    if (!Number.isFinite(value)) throw atLine(this.line, told('fileNumberRange', { found: number }));
    // Letters and digits may not run on after a number.
    if (/[A-Za-z0-9.]/.test(this.text[this.at] ?? ''))
      throw this.unexpected('a number', `${number}${this.text[this.at]}`);
    return { kind: number.includes('.') ? 'real' : 'whole', value };
  }

  /** A text, with the ways of the standard to write what is no sign of its alphabet (6.4.3). */
  private quoted(): string {
    const { text, at: from } = this;
    let close = text.indexOf("'", from + 1);
    // A doubled sign is one of the text.
    while (close >= 0 && text[close + 1] === "'") close = text.indexOf("'", close + 2);
    const body = text.slice(from + 1, close);
    if (close < 0 || /[\n\r]/.test(body))
      throw this.unexpected("a text that ends with '", text.slice(from, from + 12));
    this.at = close + 1;
    return readText(body, () => this.unexpected('a text', `'${body.slice(0, 22)}'`));
  }

  private match(pattern: RegExp): string | undefined {
    const sticky = pattern;
    sticky.lastIndex = this.at;
    const found = sticky.exec(this.text)?.[0];
    if (found !== undefined) this.at += found.length;
    return found;
  }

  private skip(): void {
    const { text } = this;
    for (;;) {
      const code = text.charCodeAt(this.at);
      if (code === 32 || code === 10 || code === 13 || code === 9) this.at++;
      else if (code === 47 && text[this.at + 1] === '*') {
        const end = text.indexOf('*/', this.at + 2);
        this.at = end < 0 ? text.length : end + 2;
      } else return;
    }
  }
}

const special =
  /''|\\\\|\\S\\(.)|\\X\\([0-9A-F]{2})|\\X2\\((?:[0-9A-F]{4})+)\\X0\\|\\X4\\((?:[0-9A-F]{8})+)\\X0\\|\\P[A-I]\\|\\/g;

function readText(written: string, wrong: () => FormatError): string {
  return written.replace(
    special,
    (whole: string, shifted?: string, byte?: string, two?: string, four?: string) => {
      if (whole === "''") return "'";
      if (whole === '\\\\') return '\\';
      if (shifted) return String.fromCharCode(shifted.charCodeAt(0) + 128);
      if (byte) return String.fromCharCode(parseInt(byte, 16));
      if (two) return two.replace(/.{4}/g, (unit) => String.fromCharCode(parseInt(unit, 16)));
      if (four)
        return four.replace(/.{8}/g, (unit) => {
          const code = parseInt(unit, 16);
          if (code > 0x10ffff) throw wrong();
          return String.fromCodePoint(code);
        });
      if (whole.startsWith('\\P')) return '';
      throw wrong();
    },
  );
}

/** A text as the standard writes it. */
export function stepText(text: string): string {
  const written = text
    .replaceAll('\\', '\\\\')
    .replaceAll("'", "''")
    .replace(/[^\x20-\x7e]+/g, (run) => {
      const units = Array.from({ length: run.length }, (_, k) =>
        run.charCodeAt(k).toString(16).toUpperCase().padStart(4, '0'),
      );
      return `\\X2\\${units.join('')}\\X0\\`;
    });
  return `'${written}'`;
}
