import { told } from '../../told/told.js';
import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { CommandError } from '../../history/history.js';
import { curve } from '../part/parts.js';
import { anyItem } from './change.js';
import type { CommandMember } from './define.js';
import type { SetForm } from './setForm.js';
import { becomeGiven } from './form.js';

const description = tagged('name', 'freeze', {
  item: itemId,
  /** What the item comes to at this moment. */
  curve,
});
export type Freeze = ValueOf<typeof description>;

/** A built curve or a shape stands alone from now on, as the curve that it is. */
export const freeze: CommandMember<Freeze, SetForm> = {
  description,
  apply: (document, command) => {
    const item = anyItem(document, command.item);
    if (item.kind === 'curve') throw new CommandError(told('standsAlone', { name: item.name }));
    return becomeGiven(document, item, command.curve);
  },
  touches: ({ item }) => [`${item}/form`],
};
