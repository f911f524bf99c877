import { mismatchOf } from '../describe/check.js';
import { withIds } from '../describe/ids.js';
import { list, object, signs, text as textField, type Field } from '../describe/describe.js';
import { CurveError } from '../curve/error.js';
import { figureDescription, type FigureDocument } from '../figure/document/document.js';
import { itemDescription, type FigureItem } from '../figure/document/item.js';
import { migrateFigure } from '../figure/change/migrateFigure.js';
import { curve as curveDescription, figureLimits } from '../figure/part/parts.js';
import { validateFigure, validateItem } from '../figure/document/validate.js';
import { CommandError } from '../history/history.js';
import { told, ToldError, type Told } from '../told/told.js';
import {
  atLine,
  FormatError,
  type FormatMember,
  type OutgoingFigure,
  type ReadFile,
  type WrittenFile,
} from './define.js';
import { formatLimits, refuseTooLong } from './limits.js';

/** The version of the envelope; the figure in it has its own. */
export const jsonVersion = 1;

/** What the kinds of file hold, by the word under `format`. */
export const jsonDescriptions = {
  'bogen-figure': object({
    format: signs('bogen-figure'),
    version: signs(jsonVersion),
    figure: figureDescription,
  }),
  'bogen-curve': object({
    format: signs('bogen-curve'),
    version: signs(jsonVersion),
    name: textField(1, 200),
    curve: curveDescription,
  }),
  'bogen-figure-items': object({
    format: signs('bogen-figure-items'),
    version: signs(jsonVersion),
    items: list(itemDescription, figureLimits.items, 1),
  }),
} as const;

/** A figure as documented JSON, whole but for its pictures; a curve or copied items come in too. */
export const json: FormatMember<'json'> = {
  name: 'json',
  endings: ['json'],
  mediaType: 'application/json',
  keeps: 'digits',
  options: {},
  first: {},
  write: writeJson,
  read: readJson,
};

function writeJson({ document, only }: OutgoingFigure): WrittenFile {
  const wanted = document.items.filter(({ id, kind }) => kind !== 'picture' && (!only || only.includes(id)));
  const pictures = document.items.filter(({ kind }) => kind === 'picture').length;
  const ids = new Set(wanted.map(({ id }) => id));
  const figure: FigureDocument = {
    ...document,
    items: wanted,
    loose: Object.fromEntries(Object.entries(document.loose).filter(([id]) => ids.has(id))),
    rail: {
      ...document.rail,
      item: document.rail.item !== null && ids.has(document.rail.item) ? document.rail.item : null,
    },
  };
  return {
    text: `${JSON.stringify({ format: 'bogen-figure', version: jsonVersion, figure }, undefined, 2)}\n`,
    lost: pictures > 0 ? [told('lostPictures', { count: pictures })] : [],
  };
}

function readJson(text: string): ReadFile {
  refuseTooLong(text);
  refuseTooDeep(text);
  let file: unknown;
  try {
    file = JSON.parse(text);
  } catch (error) {
    throw whereJsonBreaks(text, error);
  }
  const kind = typeof file === 'object' && file !== null ? String((file as { format?: unknown }).format) : '';
  if (!Object.hasOwn(jsonDescriptions, kind)) throw new FormatError(told('fileNotThis', { format: 'JSON' }));
  const { version } = file as { version?: unknown };
  if (typeof version === 'number' && version > jsonVersion)
    throw new FormatError(told('fileVersion', { version }));
  return refusedInWords(() => {
    const current = kind === 'bogen-figure' ? migrated(file as Readonly<Record<string, unknown>>) : file;
    const mismatch = mismatchOf(jsonDescriptions[kind as 'bogen-figure'] as Field, current);
    if (mismatch) throw new FormatError(told('fileMismatch', { ...mismatch }));
    return readOf(current as JsonFile);
  });
}

type JsonFile =
  | { readonly format: 'bogen-figure'; readonly figure: FigureDocument }
  | {
      readonly format: 'bogen-curve';
      readonly name: string;
      readonly curve: Extract<FigureItem, { kind: 'curve' }>['curve'];
    }
  | { readonly format: 'bogen-figure-items'; readonly items: readonly FigureItem[] };

function readOf(file: JsonFile): ReadFile {
  const of = (items: readonly FigureItem[], figure?: FigureDocument): ReadFile => ({
    items,
    left: [],
    millimetres: 1,
    ...(figure ? { figure } : {}),
  });
  switch (file.format) {
    case 'bogen-figure':
      validateFigure(file.figure);
      return of(file.figure.items, file.figure);
    case 'bogen-curve': {
      const item: FigureItem = { id: 'i1', name: file.name, kind: 'curve', curve: file.curve };
      validateItem(item);
      return of([item]);
    }
    case 'bogen-figure-items':
      file.items.forEach(validateItem);
      return of(file.items);
  }
}

const migrated = (file: Readonly<Record<string, unknown>>): unknown => ({
  ...file,
  figure: migrateFigure(file['figure']),
});

/** Whatever the models refuse is a fault of the file. */
function refusedInWords(make: () => ReadFile): ReadFile {
  try {
    return make();
  } catch (error) {
    if (error instanceof FormatError) throw error;
    if (error instanceof ToldError || error instanceof CurveError || error instanceof CommandError)
      throw new FormatError((error as { readonly told: Told }).told);
    throw error;
  }
}

/** JSON is read by a recursion that no text may make deep. */
function refuseTooDeep(text: string): void {
  let depth = 0;
  for (let at = 0; at < text.length; at++) {
    const sign = text[at];
    if (sign === '"') {
      for (at++; at < text.length && text[at] !== '"'; at++) if (text[at] === '\\') at++;
    } else if (sign === '[' || sign === '{') {
      if (++depth > formatLimits.depth)
        throw new FormatError(told('fileTooDeep', { most: formatLimits.depth }));
    } else if (sign === ']' || sign === '}') depth--;
  }
}

/** The line at which a text stops being JSON, as far as the parser says where. */
function whereJsonBreaks(text: string, error: unknown): FormatError {
  const message = error instanceof Error ? error.message : '';
  const at = Number(/position (\d+)/.exec(message)?.[1] ?? text.length);
  const line = text.slice(0, at).split('\n').length;
  return atLine(
    line,
    at >= text.length
      ? told('fileEnds')
      : told('fileSign', { wanted: 'JSON', found: text.slice(at, at + 12) }),
  );
}

/** Items with other ids, for a figure in which some of them are taken; what refers to them refers to the new ones. */
export const renamedItems = (items: readonly FigureItem[], ids: ReadonlyMap<string, string>): FigureItem[] =>
  items.map((item) => withIds(itemDescription, item, ids));
