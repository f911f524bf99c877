import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { index } from '../part/parts.js';
import { anyItem } from './change.js';
import type { CommandMember } from './define.js';

const description = tagged('name', 'orderItem', { item: itemId, at: index });
export type OrderItem = ValueOf<typeof description>;

/** The place of an item in the order in which they are drawn. */
export const orderItem: CommandMember<OrderItem> = {
  description,
  apply: (document, command) => {
    const item = anyItem(document, command.item);
    const from = document.items.indexOf(item);
    const items = document.items.toSpliced(from, 1);
    items.splice(command.at, 0, item);
    return { document: { ...document, items }, inverse: { ...command, at: from } };
  },
  leavesShape: true,
  touches: ({ item }) => [`${item}/order`],
};
