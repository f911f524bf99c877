import { tagged, type ValueOf } from '../../describe/describe.js';
import { itemDescription } from '../document.js';
import { index } from '../parts.js';
import { validateNewItem } from '../validate.js';
import { settledItem } from './change.js';
import type { CommandMember } from './define.js';

const description = tagged('name', 'addItem', { item: itemDescription, at: index });
export type AddItem = ValueOf<typeof description>;

/** A new item, at a place in the order in which items are drawn. */
export const addItem: CommandMember<AddItem> = {
  description,
  apply: (document, command) => {
    const item = settledItem(command.item);
    const changed = { ...document, items: document.items.toSpliced(command.at, 0, item) };
    validateNewItem(changed, item);
    return { document: changed, inverse: { name: 'removeItem', item: item.id } };
  },
  touches: ({ item }) => [item.id],
};
