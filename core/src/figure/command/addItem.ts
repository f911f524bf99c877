import { told } from '../../told/told.js';
import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { CommandError } from '../../history/history.js';
import { looseOf } from '../document/document.js';
import { itemDescription, sourcesOf } from '../document/item.js';
import { index } from '../part/parts.js';
import { validateNewItem } from '../document/validate.js';
import { anyItem, settledItem, withLoose } from './change.js';
import type { CommandMember } from './define.js';
import type { SetLoose } from './setLoose.js';
import type { SetRail } from './setRail.js';

const adding = tagged('name', 'addItem', { item: itemDescription, at: index });
export type AddItem = ValueOf<typeof adding>;

const removing = tagged('name', 'removeItem', { item: itemId });
export type RemoveItem = ValueOf<typeof removing>;

/** A new item, at a place in the order in which items are drawn. */
export const addItem: CommandMember<AddItem, RemoveItem> = {
  description: adding,
  apply: (document, command) => {
    const item = settledItem(command.item);
    const changed = { ...document, items: document.items.toSpliced(command.at, 0, item) };
    validateNewItem(changed, item);
    return { document: changed, inverse: { name: 'removeItem', item: item.id } };
  },
  touches: ({ item }) => [item.id],
};

/** An item goes, with what was loose of it; what is built from it has to go first. */
export const removeItem: CommandMember<RemoveItem, AddItem | SetLoose | SetRail> = {
  description: removing,
  apply: (document, { item: id }) => {
    const item = anyItem(document, id);
    const dependent = document.items.find((other) => sourcesOf(other).includes(id));
    if (dependent)
      throw new CommandError(told('removeDependentFirst', { dependent: dependent.name, name: item.name }));
    const loose = looseOf(document, id);
    const at = document.items.indexOf(item);
    const back: (AddItem | SetLoose | SetRail)[] = [{ name: 'addItem', item, at }];
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
