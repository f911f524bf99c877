import { told } from '../../told/told.js';
import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { CommandError } from '../../history/history.js';
import { looseOf, sourcesOf } from '../document.js';
import { anyItem, withLoose } from './change.js';
import type { SingleFigureCommand } from './commands.js';
import type { CommandMember } from './define.js';

const description = tagged('name', 'removeItem', { item: itemId });
export type RemoveItem = ValueOf<typeof description>;

/** An item goes, with what was loose of it; what is built from it has to go first. */
export const removeItem: CommandMember<RemoveItem> = {
  description,
  apply: (document, { item: id }) => {
    const item = anyItem(document, id);
    const dependent = document.items.find((other) => sourcesOf(other).includes(id));
    if (dependent)
      throw new CommandError(told('removeDependentFirst', { dependent: dependent.name, name: item.name }));
    const loose = looseOf(document, id);
    const at = document.items.indexOf(item);
    const back: SingleFigureCommand[] = [{ name: 'addItem', item, at }];
    if (loose) {
      back.push(
        { name: 'setLoose', item: id, of: 'controlPoints', indices: loose.controlPoints },
        { name: 'setLoose', item: id, of: 'editPoints', indices: loose.editPoints },
      );
    }
    if (document.rail.item === id) back.push({ name: 'setRail', rail: document.rail });
    return {
      document: {
        ...withLoose(document, id, undefined),
        items: document.items.filter((other) => other !== item),
        rail: document.rail.item === id ? { ...document.rail, item: null } : document.rail,
      },
      inverse: { name: 'batch', commands: back },
    };
  },
  touches: ({ item }) => [item],
};
