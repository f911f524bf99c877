import type { Curve } from '../curve/curve.js';
import type { Field } from '../describe/describe.js';
import type { FigureDocument } from '../figure/document/document.js';
import type { FigureItem } from '../figure/document/item.js';
import type { Evaluation } from '../figure/evaluation/evaluate.js';
import type { Notation } from '../notation/notation.js';
import { told, ToldError, type Told } from '../told/told.js';
import type { Reached } from './reached.js';

/** A figure with its geometry, as it goes out. */
export interface OutgoingFigure {
  readonly document: FigureDocument;
  readonly evaluation: Evaluation;
  /** The ids of what goes out; everything that is not hidden where absent. */
  readonly only?: readonly string[];
  /** How points are named and counted; as usual where absent. */
  readonly notation?: Notation;
  /** The time that a format writes into its header, as 2026-11-28T10:00:00. */
  readonly time?: string;
}

/** A file that was written. */
export interface WrittenFile {
  readonly text: string;
  /** What of the figure is not in it, and why. */
  readonly lost: readonly Told[];
  /** The largest distance in millimetres of what had to be approximated; absent where everything is exact. */
  readonly deviation?: number;
}

/** What came in by a file. Its items have ids of their own, unlike each other; whoever takes them in gives new ones. */
export interface ReadFile {
  readonly items: readonly FigureItem[];
  /** Kinds of things in the file that are no geometry of the plane, with how many there are. */
  readonly left: readonly { readonly what: string; readonly count: number }[];
  /** Millimetres in the file’s unit of length, which is converted. */
  readonly millimetres: number;
  /** The whole figure, where the file holds one. */
  readonly figure?: FigureDocument;
}

export type FormatOptions = object;

/** A member of the registry of formats: everything about it that is no interface. */
export interface FormatMember<Name extends string = string> {
  readonly name: Name;
  /** Endings of file names, without the dot; the first is written. */
  readonly endings: readonly string[];
  readonly mediaType: string;
  /** What a curve keeps: every digit of its points, weights and knots, or its shape alone. */
  readonly keeps: 'digits' | 'shape';
  /** What the writer asks for, and what its form holds at first. */
  readonly options: Readonly<Record<string, Field>>;
  readonly first: FormatOptions;
  /** @throws FormatError where nothing can go out */
  readonly write: (figure: OutgoingFigure, options: FormatOptions, reached?: Reached) => WrittenFile;
  /** @throws FormatError with the line and the reason */
  readonly read?: (text: string, reached?: Reached) => ReadFile;
}

/** A file that can’t be read or written, with the line where there is one. */
export class FormatError extends ToldError {
  override readonly name = 'FormatError';
}

/** A curve on its way out. */
export interface OutgoingCurve {
  readonly item: FigureItem;
  readonly curve: Curve;
}

/** A fault at a line of a file. */
export function atLine(line: number, reason: Told): FormatError {
  return new FormatError(told('fileLine', { line, reason }));
}

/** @throws FormatError where the format is only written */
export function readerOf(format: FormatMember): NonNullable<FormatMember['read']> {
  if (format.read) return format.read;
  throw new FormatError(told('fileCantBeRead', { format: format.name }));
}
