import { withEndMultiplicity } from '../../curve/looseEnd.js';
import { choice, itemId, tagged, whole, type ValueOf } from '../../describe/describe.js';
import { givenCurve, withCurve } from './change.js';
import type { CommandMember } from './define.js';
import type { SetCurve } from './setCurve.js';

const description = tagged('name', 'setEndMultiplicity', {
  item: itemId,
  end: choice('start', 'end'),
  multiplicity: whole(1, 10),
});
export type SetEndMultiplicity = ValueOf<typeof description>;

/** The knot at an end of a given curve's domain stands another number of times; points and weights stay. */
export const setEndMultiplicity: CommandMember<SetEndMultiplicity, SetCurve> = {
  description,
  apply: (document, { item: id, end, multiplicity }) => {
    const item = givenCurve(document, id);
    return {
      document: withCurve(document, item, withEndMultiplicity(item.curve, end, multiplicity)),
      inverse: { name: 'setCurve', item: id, curve: item.curve },
    };
  },
  touches: ({ item }) => [`${item}/form`],
};
