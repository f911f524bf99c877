import { tagged, type ValueOf } from '../../describe/describe.js';
import { looseOf } from '../document/document.js';
import { itemDescription } from '../document/item.js';
import { refuseLoosePointsThatAreNot } from '../document/validate.js';
import { anyItem, withItem } from './change.js';
import type { CommandMember } from './define.js';

const description = tagged('name', 'replaceItem', { item: itemDescription });
export type ReplaceItem = ValueOf<typeof description>;

/** Another item under the same id. Where only a part of it changes there is a command for that part. */
export const replaceItem: CommandMember<ReplaceItem> = {
  description,
  apply: (document, command) => {
    const before = anyItem(document, command.item.id);
    const changed = withItem(document, command.item);
    const loose = looseOf(document, before.id);
    if (loose) refuseLoosePointsThatAreNot(changed, before.id, loose);
    return { document: changed, inverse: { ...command, item: before } };
  },
  touches: ({ item }) => [item.id],
};
