import { choice, list, tagged, type ValueOf } from '../../describe/describe.js';
import { shownKeys } from '../shown.js';
import { union, type FreedomMember } from './define.js';

const description = tagged('kind', 'looks', { keys: list(choice(...shownKeys), shownKeys.length, 1) });
export type LooksFreedom = ValueOf<typeof description>;

/** Some of what the figure shows may be switched on and off. */
export const looks: FreedomMember<LooksFreedom> = {
  description,
  permits: ({ keys }, command) =>
    command.name === 'setShown' &&
    [...Object.keys(command.shown), ...(command.clear ?? [])].every((key) =>
      keys.some((allowed) => allowed === key),
    ),
  from: (command) => {
    if (command.name !== 'setShown') return undefined;
    const keys = [...Object.keys(command.shown), ...(command.clear ?? [])] as LooksFreedom['keys'];
    return keys.length > 0 ? { kind: 'looks', keys } : undefined;
  },
  joined: (first, second) => ({ ...first, keys: union(first.keys, second.keys) }),
};
