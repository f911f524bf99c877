import { told } from '../../told/told.js';
import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { CommandError } from '../../history/history.js';
import { operationDescription } from '../operation/operations.js';
import { validateNewItem } from '../document/validate.js';
import { anyItem, withItem } from './change.js';
import type { CommandMember } from './define.js';

const description = tagged('name', 'setOperation', { item: itemId, operation: operationDescription });
export type SetOperation = ValueOf<typeof description>;

/** How a linked curve is made: the arguments of its operation, or another operation. */
export const setOperation: CommandMember<SetOperation> = {
  description,
  apply: (document, command) => {
    const item = anyItem(document, command.item);
    if (item.kind !== 'built') throw new CommandError(told('notBuilt', { name: item.name }));
    const changed = { ...item, operation: command.operation };
    const after = withItem(document, changed);
    validateNewItem(after, changed);
    return {
      document: after,
      inverse: { ...command, operation: item.operation },
    };
  },
  touches: ({ item }) => [`${item}/form`],
};
