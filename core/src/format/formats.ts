import { told } from '../told/told.js';
import { csv } from './csv/index.js';
import { FormatError, type FormatMember } from './define.js';
import { iges } from './iges/index.js';
import { json } from './json.js';
import { step } from './step/index.js';
import { svg } from './svg/index.js';

/** Every open format. A new one is a file or folder beside these, and a line here. */
export const formats = { svg, step, iges, csv, json } as const;

export type FormatName = keyof typeof formats;
export const formatNames = Object.keys(formats) as readonly FormatName[];

/**
 * The format of a file by the ending of its name.
 * @throws FormatError where no format has it
 */
export function formatOfFile(name: string): FormatMember {
  const ending = /\.([^./\\]+)$/.exec(name)?.[1]?.toLowerCase() ?? '';
  const found = Object.values<FormatMember>(formats).find(({ endings }) => endings.includes(ending));
  if (found) return found;
  const known = Object.values<FormatMember>(formats).flatMap(({ endings }) => endings);
  throw new FormatError(told('fileFormatUnknown', { ending: ending || '–', known: known.join(', ') }));
}
