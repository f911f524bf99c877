import { choice, list, optional, tagged, type ValueOf } from '../../describe/describe.js';
import { looksDescription, type Looks } from '../document/looks.js';
import type { CommandMember } from './define.js';

const keys = Object.keys(looksDescription.fields) as (keyof Looks)[];

const description = tagged('name', 'setLooks', {
  looks: looksDescription,
  /** What is no longer said, and so is as it is by default. */
  clear: optional(list(choice(...keys), keys.length)),
});
export type SetLooks = ValueOf<typeof description>;

/** How what is shown is drawn, and what is compared with what. */
export const setLooks: CommandMember<SetLooks> = {
  description,
  apply: (document, command) => {
    const before: Looks = document.looks ?? {};
    const touched = [...(Object.keys(command.looks) as (keyof Looks)[]), ...(command.clear ?? [])];
    const unsaid = touched.filter((key) => before[key] === undefined);
    const looks: Record<string, unknown> = { ...before, ...command.looks };
    for (const key of command.clear ?? []) delete looks[key];
    const { looks: _, ...others } = document;
    return {
      document: Object.keys(looks).length > 0 ? { ...others, looks: looks as Looks } : others,
      inverse: {
        name: 'setLooks',
        looks: Object.fromEntries(
          touched.filter((key) => before[key] !== undefined).map((key) => [key, before[key]]),
        ),
        ...(unsaid.length > 0 ? { clear: unsaid } : {}),
      },
    };
  },
  leavesShape: true,
  isFinal: true,
  touches: ({ looks, clear }) => [...Object.keys(looks), ...(clear ?? [])].map((key) => `looks/${key}`),
};
