import { distance } from '../../curve/vector.js';
import { itemId, number, place as placeField, tagged, type ValueOf } from '../../describe/describe.js';
import { index, pointKind } from '../../figure/part/parts.js';
import { atPlace, pointsOfKind } from '../condition/define.js';
import { onBoth, type GuessMember } from './define.js';

const description = tagged('of', 'place', {
  item: itemId,
  point: pointKind,
  index,
  /** How far from where it goes a guess may be. */
  within: number({ unit: 'length', least: 0 }),
});
const guess = tagged('of', 'place', { at: placeField });

/** Where a control point or an edit point will go. */
export const place: GuessMember<ValueOf<typeof description>, ValueOf<typeof guess>> = {
  description,
  guess,
  truth: ({ item, point, index: which }, step) => {
    const at = onBoth(item, step, (_, after) => pointsOfKind(after, point)[which]);
    return at && { of: 'place', at };
  },
  compare: ({ within }, guessed, { at }) => atPlace(guessed.at, at, within),
  offers: (item, step) =>
    (['controlPoints', 'editPoints'] as const).flatMap(
      (point) =>
        onBoth(item, step, (before, after) => {
          const later = pointsOfKind(after, point);
          return pointsOfKind(before, point).flatMap((at, which) =>
            later[which] && distance(at, later[which]) > 1e-6
              ? [{ of: 'place', item, point, index: which, within: 3 } as const]
              : [],
          );
        }) ?? [],
    ),
};
