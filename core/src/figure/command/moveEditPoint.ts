import { moveEditPoint as move } from '../../curve/editPoint.js';
import { itemId, place, tagged, type ValueOf } from '../../describe/describe.js';
import { isLoose } from '../document/loose.js';
import { index } from '../part/parts.js';
import { givenCurve, withCurve } from './change.js';
import type { CommandMember } from './define.js';
import type { SetPoints } from './setPoints.js';

const description = tagged('name', 'moveEditPoint', { item: itemId, index, to: place });
export type MoveEditPoint = ValueOf<typeof description>;

/** An edit point of a given curve goes to a place; the other edit points stay, and so all control points move. */
export const moveEditPoint: CommandMember<MoveEditPoint, SetPoints> = {
  description,
  apply: (document, command) => {
    const item = givenCurve(document, command.item);
    return {
      document: withCurve(document, item, move(item.curve, command.index, command.to)),
      inverse: { name: 'setPoints', item: item.id, points: item.curve.points },
    };
  },
  touches: ({ item }) => [`${item}/form/points`],
  readerMay: (document, { item, index: point }) => isLoose(document, item, 'editPoints', point),
};
