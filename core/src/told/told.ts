import type { coreSentences } from './coreSentences.js';

type Sentences = typeof coreSentences;
type CoreCode = keyof Sentences;

/** The sentences of a language by their codes; values stand in them as `{{name}}`, or as
 * `{{name, counted}}` where it is an index, which a lesson may count from 1. */
export type Catalogue = Readonly<Record<string, string>>;

/** A value that stands in a sentence: a number, a name, or another sentence. */
export type ToldValue = number | string | Told;

/**
 * Something that a person is told: the code of a sentence and the values that stand in it. Whoever shows it puts it
 * into words in the reader's language; in English it reads as the catalogue says.
 */
export interface Told {
  readonly code: string;
  readonly parameters: Readonly<Record<string, ToldValue>>;
}

/** The name of a value, without how it is to be written. */
type NameOf<Value extends string> = Value extends `${infer Name}, ${string}` ? Name : Value;

type NamesIn<Sentence> = Sentence extends `${string}{{${infer Name}}}${infer Rest}`
  ? NameOf<Name> | NamesIn<Rest>
  : never;

/** The values that a sentence of a catalogue needs, as the last argument; none where it has no values. */
export type ValuesOf<Sentence extends string> = [NamesIn<Sentence>] extends [never]
  ? [parameters?: Readonly<Record<string, never>>]
  : [parameters: Readonly<Record<NamesIn<Sentence>, ToldValue>>];

/** A sentence of core with its values. */
export function told<Code extends CoreCode>(code: Code, ...[parameters]: ValuesOf<Sentences[Code]>): Told {
  return { code, parameters: parameters ?? {} };
}

/** A value as it stands in a sentence; numbers have at most ten digits. */
function shown(value: ToldValue | undefined, catalogue: Catalogue): string {
  if (value === undefined) return '';
  if (typeof value === 'object') return sentenceOf(value, catalogue);
  return typeof value === 'number' ? String(Number(value.toPrecision(10))) : value;
}

/** What is told in the words of a catalogue; a code that it does not know stands for itself. */
export function sentenceOf({ code, parameters }: Told, catalogue: Catalogue): string {
  const sentence = catalogue[code] ?? code;
  return sentence.replace(/\{\{(\w+)(?:, \w+)?\}\}/g, (_, name: string) =>
    shown(parameters[name], catalogue),
  );
}

let ofMessages: Catalogue | undefined;

/** Lets the messages of errors, which stand in logs, be sentences of a catalogue. A page has no logs and needs none. */
export function wordMessagesBy(catalogue: Catalogue): void {
  ofMessages = catalogue;
}

/** An error that says what a person is to be told. */
export class ToldError extends Error {
  constructor(readonly told: Told) {
    super(ofMessages ? sentenceOf(told, ofMessages) : `${told.code} ${JSON.stringify(told.parameters)}`);
  }
}
