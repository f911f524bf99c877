import { tagged, type ValueOf } from '../../describe/describe.js';
import { isShown, somethingShown, type Shown } from '../document.js';
import type { CommandMember } from './define.js';

const description = tagged('name', 'setShown', { shown: somethingShown });
export type SetShown = ValueOf<typeof description>;

/** What the figure shows of its curves. */
export const setShown: CommandMember<SetShown> = {
  description,
  apply: (document, command) => {
    // Said in full, since what is absent would be lost where the command is stored.
    const before = Object.fromEntries(
      (Object.keys(command.shown) as (keyof Shown)[]).map((key) => [key, isShown(document, key)]),
    );
    return {
      document: { ...document, shown: { ...document.shown, ...command.shown } },
      inverse: { ...command, shown: before },
    };
  },
  touches: ({ shown }) => Object.keys(shown).map((key) => `shown/${key}`),
};
