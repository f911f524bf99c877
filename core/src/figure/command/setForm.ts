import { itemId, nullable, tagged, type ValueOf } from '../../describe/describe.js';
import { looseOf, loosePoints } from '../document/document.js';
import { anyItem, withLoose } from './change.js';
import { inOrder } from '../document/loose.js';
import type { CommandMember } from './define.js';
import { formDescription, formOf, withForm } from './form.js';
import { refuseLoosePointsThatAreNot } from '../document/validate.js';

const description = tagged('name', 'setForm', {
  item: itemId,
  form: formDescription,
  loose: nullable(loosePoints),
});
export type SetForm = ValueOf<typeof description>;

/** What a curve item is made of, with which of its points are loose; its attributes stay. It leads back from `operate` and `freeze`. */
export const setForm: CommandMember<SetForm> = {
  description,
  apply: (document, command) => {
    const item = anyItem(document, command.item);
    const loose = command.loose ? inOrder(command.loose) : undefined;
    const changed = withForm(withLoose(document, item.id, loose), item, command.form);
    if (command.loose) refuseLoosePointsThatAreNot(changed, item.id, command.loose);
    return {
      document: changed,
      inverse: { ...command, form: formOf(item), loose: looseOf(document, item.id) ?? null },
    };
  },
  touches: ({ item }) => [`${item}/form`, `${item}/loose`],
};
