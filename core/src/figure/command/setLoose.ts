import { validatePointIndex } from '../../curve/validate.js';
import { itemId, onlyTrue, optional, tagged, type ValueOf } from '../../describe/describe.js';
import { indices, looseOf } from '../document/document.js';
import { ascending, nothingLoose } from '../document/loose.js';
import { pointKind } from '../part/parts.js';
import { givenCurve, withLoose } from './change.js';
import type { CommandMember } from './define.js';

const description = tagged('name', 'setLoose', {
  item: itemId,
  of: pointKind,
  indices,
  /** Nothing is said of the item any more, as before anything ever was. */
  forget: optional(onlyTrue),
});
export type SetLoose = ValueOf<typeof description>;

/** Which control points or edit points of a given curve a reader may move. */
export const setLoose: CommandMember<SetLoose> = {
  description,
  apply: (document, command) => {
    const item = givenCurve(document, command.item);
    command.indices.forEach((index) => validatePointIndex(item.curve, index));
    const before = looseOf(document, item.id) ?? nothingLoose;
    const sorted = ascending(command.indices);
    const other = command.of === 'controlPoints' ? 'editPoints' : 'controlPoints';
    // What was said of the other kind meanwhile stays.
    const forgets = command.forget && sorted.length === 0 && before[other].length === 0;
    const wasSaid = looseOf(document, item.id) !== undefined;
    return {
      document: withLoose(document, item.id, forgets ? undefined : { ...before, [command.of]: sorted }),
      inverse: {
        name: 'setLoose',
        item: item.id,
        of: command.of,
        indices: before[command.of],
        ...(wasSaid ? {} : { forget: true }),
      },
    };
  },
  leavesShape: true,
  isFinal: true,
  touches: ({ item, of }) => [`${item}/loose/${of}`],
};
