import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { looseOf } from '../document/document.js';
import { curve } from '../part/parts.js';
import { givenCurve, withLoose } from './change.js';
import type { CommandMember } from './define.js';
import type { SetForm } from './setForm.js';
import { withGivenCurve } from './form.js';

const description = tagged('name', 'setCurve', { item: itemId, curve });
export type SetCurve = ValueOf<typeof description>;

/** Degree, knots, points and weights of a given curve, all at once. */
export const setCurve: CommandMember<SetCurve, SetCurve | SetForm> = {
  description,
  apply: (document, command) => {
    const item = givenCurve(document, command.item);
    const before = looseOf(document, item.id);
    const changed = withGivenCurve(document, item, command.curve);
    const same = withLoose(changed, item.id, before);
    return {
      document: changed,
      inverse:
        before && same !== changed && before.controlPoints.length + before.editPoints.length > 0
          ? { name: 'setForm', item: item.id, form: { kind: 'curve', curve: item.curve }, loose: before }
          : { name: 'setCurve', item: item.id, curve: item.curve },
    };
  },
  isFinal: true,
  touches: ({ item }) => [`${item}/form`],
};
