import type { FreedomOf } from '../document/freedoms.js';
import { union, type FreedomMember } from './define.js';

/** Some of what the figure shows may be switched on and off. */
export const looks: FreedomMember<FreedomOf<'looks'>> = {
  permits: ({ keys }, command) =>
    command.name === 'setShown' &&
    [...Object.keys(command.shown), ...(command.clear ?? [])].every((key) =>
      keys.some((allowed) => allowed === key),
    ),
  from: (command) => {
    if (command.name !== 'setShown') return undefined;
    const keys = [...Object.keys(command.shown), ...(command.clear ?? [])] as FreedomOf<'looks'>['keys'];
    return keys.length > 0 ? { kind: 'looks', keys } : undefined;
  },
  joined: (first, second) => ({ ...first, keys: union(first.keys, second.keys) }),
};
