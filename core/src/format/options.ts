import { mismatchOf } from '../describe/check.js';
import type { Field } from '../describe/describe.js';
import { told } from '../told/told.js';
import { FormatError, type FormatMember, type FormatOptions } from './define.js';

/**
 * The options of a format from words such as --tolerance 0.1 --marks; those that are not named stay as a form holds them first.
 * @throws FormatError that says which are known, or what one should be
 */
export function optionsFrom({ options, first }: FormatMember, words: readonly string[]): FormatOptions {
  const given: Record<string, unknown> = { ...first };
  for (let at = 0; at < words.length; at++) {
    const name = words[at]!.startsWith('--') ? words[at]!.slice(2) : '';
    const field = Object.hasOwn(options, name) ? options[name]! : undefined;
    if (!field) {
      const known = Object.keys(options).map((key) => `--${key}`);
      throw new FormatError(told('fileOption', { option: words[at]!, known: known.join(', ') || '–' }));
    }
    given[name] = field.type === 'flag' ? true : valueOf(field, words[++at] ?? '');
    const mismatch = mismatchOf(field, given[name], name);
    if (mismatch) throw new FormatError(told('fileMismatch', { ...mismatch }));
  }
  return given;
}

const valueOf = (field: Field, word: string): unknown =>
  (field.type === 'number' || field.type === 'whole') && word.trim() !== '' ? Number(word) : word;
