import { told } from '../../told/told.js';
import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { CommandError } from '../../history/history.js';
import { places } from '../part/parts.js';
import { givenCurve, withCurve } from './change.js';
import type { CommandMember } from './define.js';

const description = tagged('name', 'setPoints', { item: itemId, points: places });
export type SetPoints = ValueOf<typeof description>;

/** All control points of a given curve, as many as it has. */
export const setPoints: CommandMember<SetPoints> = {
  description,
  apply: (document, { item: id, points }) => {
    const item = givenCurve(document, id);
    if (points.length !== item.curve.points.length) {
      throw new CommandError(
        told('pointCountDiffers', { name: item.name, count: item.curve.points.length, given: points.length }),
      );
    }
    return {
      document: withCurve(document, item, { ...item.curve, points }),
      inverse: { name: 'setPoints', item: id, points: item.curve.points },
    };
  },
  isFinal: true,
  touches: ({ item }) => [`${item}/form/points`],
};
