import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { itemOf } from '../document/document.js';
import { degree as degreeField } from '../part/parts.js';
import type { ControlMember } from './define.js';

const description = tagged('of', 'degree', { item: itemId, least: degreeField, most: degreeField });
export type DegreeControl = ValueOf<typeof description>;

/** The degree of a curve on the same control points. */
export const degree: ControlMember<DegreeControl> = {
  description,
  range: ({ item: id, least, most }, { document }) => {
    const item = itemOf(document, id);
    if (item?.kind !== 'curve' || !(most > least)) return undefined;
    const value = Math.min(most, Math.max(least, item.curve.degree));
    // A curve of n points has degree n − 1 at most.
    const highest = Math.min(most, item.curve.points.length - 1);
    return highest > least
      ? { value: Math.min(value, highest), least, most: highest, isWhole: true }
      : undefined;
  },
  command: ({ item }, value) => ({ name: 'setDegree', item, degree: Math.round(value) }),
  offers: (item) => {
    if (item.kind !== 'curve' || item.faint || item.curve.points.length < 3) return [];
    return [{ of: 'degree', item: item.id, least: 1, most: Math.min(9, item.curve.points.length - 1) }];
  },
};
