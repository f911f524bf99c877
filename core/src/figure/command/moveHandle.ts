import { told } from '../../told/told.js';
import { itemId, place, tagged, text, type ValueOf } from '../../describe/describe.js';
import { CommandError } from '../../history/history.js';
import { movePictureHandle, pictureHandles } from '../document/picture.js';
import { handlesOfShape, moveShapeHandle } from '../shape/shapes.js';
import { anyItem, withItem } from './change.js';
import type { CommandMember } from './define.js';
import type { SetShape } from './setShape.js';
import type { PatchItem } from './patchItem.js';

const description = tagged('name', 'moveHandle', { item: itemId, key: text(1, 40), to: place });
export type MoveHandle = ValueOf<typeof description>;

/** A handle of a shape or a picture goes to a place; what hangs on it follows. */
export const moveHandle: CommandMember<MoveHandle, PatchItem | SetShape> = {
  description,
  apply: (document, { item: id, key, to }) => {
    const item = anyItem(document, id);
    if (item.kind === 'picture') {
      refuseNoHandle(item.name, key, pictureHandles(item));
      const { centre, width, angle } = item;
      return {
        document: withItem(document, movePictureHandle(item, key, to)),
        inverse: { name: 'patchItem', item: id, set: { centre, width, angle }, clear: [] },
      };
    }
    if (item.kind !== 'shape') throw new CommandError(told('noHandles', { name: item.name }));
    refuseNoHandle(item.name, key, handlesOfShape(item.shape));
    return {
      document: withItem(document, { ...item, shape: moveShapeHandle(item.shape, key, to) }),
      inverse: { name: 'setShape', item: id, shape: item.shape },
    };
  },
  touches: ({ item }) => [`${item}/form`],
};

function refuseNoHandle(name: string, key: string, handles: readonly { readonly key: string }[]): void {
  if (!handles.some((handle) => handle.key === key)) throw new CommandError(told('noHandle', { name, key }));
}
