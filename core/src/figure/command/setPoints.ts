import { told } from '../../told/told.js';
import type { Point } from '../../curve/curve.js';
import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { CommandError } from '../../history/history.js';
import { itemOf, looseOf } from '../document.js';
import { places } from '../parts.js';
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
  touches: ({ item }) => [`${item}/form/points`],
  // Setting a curve that has loose points back to what it was at the start.
  readerMay: (document, { item: id, points }, start) => {
    const loose = looseOf(document, id);
    const item = itemOf(start, id);
    return (
      loose !== undefined &&
      loose.controlPoints.length + loose.editPoints.length > 0 &&
      item?.kind === 'curve' &&
      samePoints(item.curve.points, points)
    );
  },
};

export function samePoints(a: readonly Point[], b: readonly Point[]): boolean {
  return (
    a.length === b.length &&
    a.every((point, k) => point.every((coordinate, axis) => coordinate === b[k]![axis]))
  );
}
