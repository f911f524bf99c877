import { coreSentences, sentenceOf, type Told, type ValuesOf } from '@bogen/core/lesson';
import { serverSentences } from './serverSentences.js';

/** Every sentence that core and server tell, in English, by its code. Other languages have the same codes. */
export const sentences = { ...coreSentences, ...serverSentences };

/** A sentence of the server with its values. */
export function toldByServer<Code extends keyof typeof serverSentences>(
  code: Code,
  ...[parameters]: ValuesOf<(typeof serverSentences)[Code]>
): Told {
  return { code, parameters: parameters ?? {} };
}

/** What is told in English. */
export const englishOf = (what: Told): string => sentenceOf(what, sentences);
