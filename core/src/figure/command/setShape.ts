import { told } from '../../told/told.js';
import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { CommandError } from '../../history/history.js';
import { shapeDescription } from '../shape/shapes.js';
import { anyItem, withItem } from './change.js';
import type { CommandMember } from './define.js';

const description = tagged('name', 'setShape', { item: itemId, shape: shapeDescription });
export type SetShape = ValueOf<typeof description>;

/** The parameters that a shape keeps of its own. */
export const setShape: CommandMember<SetShape> = {
  description,
  apply: (document, command) => {
    const item = anyItem(document, command.item);
    if (item.kind !== 'shape') throw new CommandError(told('notAShape', { name: item.name }));
    return {
      document: withItem(document, { ...item, shape: command.shape }),
      inverse: { ...command, shape: item.shape },
    };
  },
  touches: ({ item }) => [`${item}/form`],
};
