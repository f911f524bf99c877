import { tagged, type ValueOf } from '../../describe/describe.js';
import { looksDescription, looksOf, type Looks } from '../document.js';
import type { CommandMember } from './define.js';

const description = tagged('name', 'setLooks', { looks: looksDescription });
export type SetLooks = ValueOf<typeof description>;

/** How what is shown is drawn, and what is compared with what. */
export const setLooks: CommandMember<SetLooks> = {
  description,
  apply: (document, command) => {
    const all = looksOf(document);
    const before = Object.fromEntries(
      (Object.keys(command.looks) as (keyof Looks)[]).map((key) => [key, all[key]]),
    );
    return {
      document: { ...document, looks: { ...document.looks, ...command.looks } },
      inverse: { ...command, looks: before },
    };
  },
  touches: ({ looks }) => Object.keys(looks).map((key) => `looks/${key}`),
};
