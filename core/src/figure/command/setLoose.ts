import { validatePointIndex } from '../../curve/validate.js';
import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { indices, looseOf } from '../document.js';
import { nothingLoose } from '../loose.js';
import { pointKind } from '../parts.js';
import { givenCurve, withLoose } from './change.js';
import type { CommandMember } from './define.js';

const description = tagged('name', 'setLoose', { item: itemId, of: pointKind, indices });
export type SetLoose = ValueOf<typeof description>;

/** Which control points or edit points of a given curve a reader may move. */
export const setLoose: CommandMember<SetLoose> = {
  description,
  apply: (document, command) => {
    const item = givenCurve(document, command.item);
    command.indices.forEach((index) => validatePointIndex(item.curve, index));
    const before = looseOf(document, item.id) ?? nothingLoose;
    const sorted = [...new Set(command.indices)].sort((a, b) => a - b);
    return {
      document: withLoose(document, item.id, { ...before, [command.of]: sorted }),
      inverse: { ...command, indices: before[command.of] },
    };
  },
  touches: ({ item, of }) => [`${item}/loose/${of}`],
};
