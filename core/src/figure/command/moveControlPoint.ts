import { withPoint } from '../../curve/periodic.js';
import { validatePointIndex } from '../../curve/validate.js';
import { itemId, place, tagged, type ValueOf } from '../../describe/describe.js';
import { isLoose } from '../document/loose.js';
import { index } from '../part/parts.js';
import { givenCurve, withCurve } from './change.js';
import type { CommandMember } from './define.js';

const description = tagged('name', 'moveControlPoint', { item: itemId, index, to: place });
export type MoveControlPoint = ValueOf<typeof description>;

/** A control point of a given curve goes to a place. */
export const moveControlPoint: CommandMember<MoveControlPoint> = {
  description,
  apply: (document, command) => {
    const item = givenCurve(document, command.item);
    validatePointIndex(item.curve, command.index);
    return {
      document: withCurve(document, item, withPoint(item.curve, command.index, command.to)),
      inverse: { ...command, to: item.curve.points[command.index]! },
    };
  },
  isFinal: true,
  touches: ({ item, index: point }) => [`${item}/form/points/${point}`],
  readerMay: (document, { item, index: point }) => isLoose(document, item, 'controlPoints', point),
};
