import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import type { FreedomMember } from './define.js';

const description = tagged('kind', 'anchors', { item: itemId });
export type AnchorsFreedom = ValueOf<typeof description>;

/** What a shape hangs on may be moved: its anchors and handles; or a reference point. */
export const anchors: FreedomMember<AnchorsFreedom> = {
  description,
  permits: ({ item }, command) =>
    (command.name === 'moveHandle' || command.name === 'moveReferencePoint') && command.item === item,
  from: (command) =>
    command.name === 'moveHandle' || command.name === 'moveReferencePoint'
      ? { kind: 'anchors', item: command.item }
      : undefined,
  joined: (first, second) => (first.item === second.item ? first : undefined),
};
