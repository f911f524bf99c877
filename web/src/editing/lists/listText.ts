/** One entry of a list as it was typed, with its place in the text. */
export interface Entry {
  readonly text: string;
  readonly from: number;
  readonly to: number;
}

/** What can't be read, and where. */
export interface ListProblem {
  readonly kind: 'bracket' | 'times' | 'tooMany';
  readonly from: number;
  readonly to: number;
}

/** More entries than any curve has. */
const mostEntries = 10_000;

const opening = '([{';
const closing = ')]}';
const isSpace = (char: string | undefined): boolean => char !== undefined && /\s/.test(char);
const isSeparator = (char: string | undefined): boolean => char === ',' || char === ';';
const joins = '+*/^×·';

/** A text in plain characters of the same length, so that places stay: other minus signs, times signs and spaces. */
function plain(text: string): string {
  return text.replace(/[−–]/g, '-').replace(/[×·]/g, '*').replace(/ /g, ' ');
}

/** What a calculator reads: roots by their sign are written as calls. */
const asExpression = (text: string): string =>
  text
    .replace(/√\s*(\d+(?:\.\d+)?)/g, 'sqrt($1)')
    .replaceAll('√', 'sqrt')
    .replaceAll('π', 'pi');

/**
 * Reads a list as it may stand anywhere: separated by commas, semicolons, spaces or line breaks, in brackets of any
 * kind, with repeats such as `(1, sqrt(2)/2) * 4, 1`. Brackets after a name, and brackets around a single expression,
 * belong to the expression, unless a whole number of repeats follows.
 * @returns the entries, repeated ones as often as they count, each with its place in the text
 */
export function readEntries(text: string): readonly Entry[] | ListProblem {
  const source = plain(text);
  try {
    const reader = new Reader(source);
    const entries = reader.list(0);
    return entries;
  } catch (problem) {
    if (problem instanceof Unreadable) return problem.problem;
    throw problem;
  }
}

class Unreadable extends Error {
  constructor(readonly problem: ListProblem) {
    super(problem.kind);
  }
}

class Reader {
  private at = 0;
  private count = 0;

  constructor(private readonly source: string) {}

  /** Entries up to the end of the text, or to the bracket that closes the group which began before. */
  list(depth: number, close?: string, opened = 0): Entry[] {
    const entries: Entry[] = [];
    for (;;) {
      while (isSpace(this.source[this.at]) || isSeparator(this.source[this.at])) this.at++;
      const char = this.source[this.at];
      if (char === undefined) {
        if (close !== undefined) throw new Unreadable({ kind: 'bracket', from: opened, to: opened + 1 });
        return entries;
      }
      if (closing.includes(char)) {
        if (char !== close) throw new Unreadable({ kind: 'bracket', from: this.at, to: this.at + 1 });
        this.at++;
        return entries;
      }
      const group = opening.includes(char) && this.isGroup(this.at);
      const read = group ? this.group(depth) : [this.entry()];
      this.count += read.length;
      if (this.count > mostEntries)
        throw new Unreadable({ kind: 'tooMany', from: 0, to: this.source.length });
      entries.push(...read);
    }
  }

  /** Whether a bracket holds a list: something in it is separated, or it is no bracket of an expression. */
  private isGroup(from: number): boolean {
    if (this.source[from] !== '(') return true;
    // One value that is to be repeated a whole number of times.
    if (/^\([^()]*\)\s*\*\s*\d+(?![\d.])\s*(?=$|[^\s+*/^-])/.test(this.source.slice(from, from + 200)))
      return true;
    let depth = 0;
    for (let k = from; k < this.source.length; k++) {
      const char = this.source[k]!;
      if (opening.includes(char)) depth++;
      else if (closing.includes(char)) {
        depth--;
        if (depth === 0) return false;
      } else if (depth === 1 && (isSeparator(char) || (isSpace(char) && this.separates(k)))) return true;
    }
    return true;
  }

  private group(depth: number): Entry[] {
    const opened = this.at;
    if (depth > 20) throw new Unreadable({ kind: 'bracket', from: opened, to: opened + 1 });
    const close = closing[opening.indexOf(this.source[opened]!)]!;
    this.at++;
    const entries = this.list(depth + 1, close, opened);
    const repeat = /^\s*\*\s*([^\s,;()[\]{}]*)/.exec(this.source.slice(this.at));
    if (!repeat) return entries;
    const times = Number(repeat[1]);
    const to = this.at + repeat[0].length;
    if (!Number.isInteger(times) || times < 0 || repeat[1] === '' || times * entries.length > mostEntries) {
      throw new Unreadable({ kind: 'times', from: this.at, to });
    }
    this.at = to;
    return Array.from({ length: times }, () => entries).flat();
  }

  /** Whether the space at a place stands between two entries, and not beside a sign of calculation. */
  private separates(at: number): boolean {
    let before = at;
    let after = at;
    while (isSpace(this.source[before])) before--;
    while (isSpace(this.source[after])) after++;
    const [left, right] = [this.source[before], this.source[after]];
    if (right === undefined || left === undefined) return true;
    if (joins.includes(left) || joins.includes(right)) return false;
    if (left === '-') return false;
    // A minus with a space on both sides calculates; with one before it only, a new entry is negative.
    if (right === '-') return !isSpace(this.source[after + 1]);
    return true;
  }

  /** An expression: up to a separator outside its own brackets. */
  private entry(): Entry {
    const from = this.at;
    let depth = 0;
    for (; this.at < this.source.length; this.at++) {
      const char = this.source[this.at]!;
      if (opening.includes(char)) {
        // A bracket after something that is no sign of calculation and no name begins the next group.
        if (depth === 0 && this.at > from && /[\d.)\]}]/.test(this.source[this.at - 1]!)) break;
        depth++;
      } else if (closing.includes(char)) {
        if (depth === 0) break;
        depth--;
      } else if (depth === 0 && (isSeparator(char) || (isSpace(char) && this.separates(this.at)))) break;
    }
    if (depth > 0) throw new Unreadable({ kind: 'bracket', from, to: this.at });
    const text = asExpression(this.source.slice(from, this.at).trim());
    return { text, from, to: from + this.source.slice(from, this.at).trimEnd().length };
  }
}
