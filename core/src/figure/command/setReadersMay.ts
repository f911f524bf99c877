import { tagged } from '../../describe/describe.js';
import type { FigureDocument } from '../document/document.js';
import { freedomsDescription, type Freedom } from '../document/freedoms.js';
import type { CommandMember } from './define.js';

const description = tagged('name', 'setReadersMay', { freedoms: freedomsDescription });
export interface SetReadersMay {
  readonly name: 'setReadersMay';
  readonly freedoms: readonly Freedom[];
}

/** What readers may do besides moving loose points. */
export const setReadersMay: CommandMember<SetReadersMay> = {
  description,
  apply: (document, { freedoms }) => {
    const { readersMay = [], ...rest } = document;
    return {
      document: freedoms.length > 0 ? { ...rest, readersMay: freedoms } : (rest as FigureDocument),
      inverse: { name: 'setReadersMay', freedoms: readersMay },
    };
  },
  leavesShape: true,
  isFinal: true,
  touches: () => ['readersMay'],
};
