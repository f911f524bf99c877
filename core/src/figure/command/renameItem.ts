import { itemId, tagged, text, type ValueOf } from '../../describe/describe.js';
import { anyItem, withItem } from './change.js';
import type { CommandMember } from './define.js';

const description = tagged('name', 'renameItem', { item: itemId, to: text(1, 200) });
export type RenameItem = ValueOf<typeof description>;

/** The name of an item. Everything else refers to it by its id and follows. */
export const renameItem: CommandMember<RenameItem> = {
  description,
  apply: (document, command) => {
    const item = anyItem(document, command.item);
    return {
      document: withItem(document, { ...item, name: command.to }),
      inverse: { ...command, to: item.name },
    };
  },
  leavesShape: true,
  isFinal: true,
  touches: ({ item }) => [`${item}/attributes/name`],
};
