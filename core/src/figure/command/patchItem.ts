import { told } from '../../told/told.js';
import { choice, itemId, list, object, partial, tagged, type ValueOf } from '../../describe/describe.js';
import { CommandError } from '../../history/history.js';
import { attributes, pictureAttributes, type FigureItem } from '../document/item.js';
import { anyItem, withItem } from './change.js';
import type { CommandMember } from './define.js';

/** The attributes that an item can do without. */
const clearable = choice(
  'hidden',
  'locked',
  'color',
  'lineWeight',
  'shown',
  'faint',
  'lockedJoints',
  'lockedKnots',
);

const description = tagged('name', 'patchItem', {
  item: itemId,
  /** The attributes that change. */
  set: partial(object({ ...attributes, ...pictureAttributes })),
  /** The attributes that go back to what they are where nothing is said. */
  clear: list(clearable, clearable.choices.length),
});
export type PatchItem = ValueOf<typeof description>;

/** Attributes of an item: its name, colour, line, visibility, lock, own looks, and where a picture lies. What is not named stays. */
export const patchItem: CommandMember<PatchItem> = {
  description,
  apply: (document, command) => {
    const item = anyItem(document, command.item);
    const set = command.set as Readonly<Record<string, unknown>>;
    for (const key of Object.keys(set)) {
      if (key in pictureAttributes && item.kind !== 'picture') {
        throw new CommandError(told('notAPicture', { name: item.name, attribute: key }));
      }
    }
    const before = item as unknown as Readonly<Record<string, unknown>>;
    const changed: Record<string, unknown> = { ...before, ...set };
    for (const key of command.clear) delete changed[key];
    const touched = [...Object.keys(set), ...command.clear];
    const had = touched.filter((key) => before[key] !== undefined);
    return {
      document: touched.length === 0 ? document : withItem(document, changed as unknown as FigureItem),
      inverse: {
        name: 'patchItem',
        item: item.id,
        set: Object.fromEntries(had.map((key) => [key, before[key]])),
        clear: touched.filter((key): key is (typeof clearable.choices)[number] => before[key] === undefined),
      },
    };
  },
  leavesShape: true,
  isFinal: true,
  touches: ({ item, set, clear }) =>
    [...Object.keys(set), ...clear].map((key) =>
      key in pictureAttributes ? `${item}/form/${key}` : `${item}/attributes/${key}`,
    ),
};
