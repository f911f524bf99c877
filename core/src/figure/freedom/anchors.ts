import type { FreedomOf } from '../document/freedoms.js';
import type { FreedomMember } from './define.js';

/** What a shape hangs on may be moved: its anchors and handles; or a reference point. */
export const anchors: FreedomMember<FreedomOf<'anchors'>> = {
  permits: ({ item }, command) =>
    (command.name === 'moveHandle' || command.name === 'moveReferencePoint') && command.item === item,
  from: (command) =>
    command.name === 'moveHandle' || command.name === 'moveReferencePoint'
      ? { kind: 'anchors', item: command.item }
      : undefined,
  joined: (first, second) => (first.item === second.item ? first : undefined),
};
