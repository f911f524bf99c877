import { choice, list, optional, tagged, type ValueOf } from '../../describe/describe.js';
import { figureDescription } from '../document/document.js';
import type { Shown } from '../document/shown.js';
import { somethingShown } from '../document/item.js';
import type { CommandMember } from './define.js';

const optionalKeys = Object.entries(somethingShown.fields).flatMap(([key]) =>
  figureDescription.fields.shown.fields[key as keyof Shown].type === 'optional' ? [key as keyof Shown] : [],
);

const description = tagged('name', 'setShown', {
  shown: somethingShown,
  /** What is no longer said, and so is shown as it is by default. */
  clear: optional(list(choice(...optionalKeys), optionalKeys.length)),
});
export type SetShown = ValueOf<typeof description>;

/** What the figure shows of its curves. */
export const setShown: CommandMember<SetShown> = {
  description,
  apply: (document, command) => {
    const keys = [...(Object.keys(command.shown) as (keyof Shown)[]), ...(command.clear ?? [])];
    const said = keys.filter((key) => document.shown[key] !== undefined);
    const unsaid = keys.filter((key) => document.shown[key] === undefined);
    const shown: Record<string, boolean | undefined> = { ...document.shown, ...command.shown };
    for (const key of command.clear ?? []) delete shown[key];
    return {
      document: { ...document, shown: shown as unknown as Shown },
      inverse: {
        name: 'setShown',
        shown: Object.fromEntries(said.map((key) => [key, document.shown[key]])),
        ...(unsaid.length > 0 ? { clear: unsaid } : {}),
      },
    };
  },
  leavesShape: true,
  isFinal: true,
  touches: ({ shown, clear }) => [...Object.keys(shown), ...(clear ?? [])].map((key) => `shown/${key}`),
};
