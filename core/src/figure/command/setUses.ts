import { tagged, type ValueOf } from '../../describe/describe.js';
import type { FigureDocument } from '../document/document.js';
import { usesDescription } from '../operation/uses.js';
import type { CommandMember } from './define.js';

const description = tagged('name', 'setUses', { uses: usesDescription });
export type SetUses = ValueOf<typeof description>;

/** How many times each operation was done: it goes back with the figure when that starts over. */
export const setUses: CommandMember<SetUses> = {
  description,
  apply: (document, command) => {
    const { uses = {}, ...rest } = document;
    return {
      document:
        Object.keys(command.uses).length > 0 ? { ...rest, uses: command.uses } : (rest as FigureDocument),
      inverse: { ...command, uses },
    };
  },
  leavesShape: true,
  isFinal: true,
  touches: () => ['uses'],
};
