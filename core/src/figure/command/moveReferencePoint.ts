import { told } from '../../told/told.js';
import { itemId, place, tagged, type ValueOf } from '../../describe/describe.js';
import { CommandError } from '../../history/history.js';
import { anyItem, withItem } from './change.js';
import type { CommandMember } from './define.js';

const description = tagged('name', 'moveReferencePoint', { item: itemId, to: place });
export type MoveReferencePoint = ValueOf<typeof description>;

/** A reference point goes to a place; what is built on it follows. */
export const moveReferencePoint: CommandMember<MoveReferencePoint> = {
  description,
  apply: (document, command) => {
    const item = anyItem(document, command.item);
    if (item.kind !== 'point') throw new CommandError(told('notAReferencePoint', { name: item.name }));
    return {
      document: withItem(document, { ...item, at: command.to }),
      inverse: { ...command, to: item.at },
    };
  },
  isFinal: true,
  touches: ({ item }) => [`${item}/form`],
};
