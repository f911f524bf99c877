import { itemId, number, tagged, type ValueOf } from '../../describe/describe.js';
import { itemOf } from '../document/document.js';
import { index } from '../part/parts.js';
import type { ControlMember } from './define.js';

const description = tagged('of', 'weight', {
  item: itemId,
  index,
  least: number({ above: 0, unit: 'ratio' }),
  most: number({ above: 0, unit: 'ratio' }),
});
export type WeightControl = ValueOf<typeof description>;

/** The weight of a control point, on a logarithmic scale. */
export const weight: ControlMember<WeightControl> = {
  description,
  range: ({ item: id, index: which, least, most }, { document }) => {
    const item = itemOf(document, id);
    if (item?.kind !== 'curve' || which >= item.curve.points.length || !(most > least)) return undefined;
    const value = item.curve.weights?.[which] ?? 1;
    // A weight that was set to something else stands at the end of the line.
    return { value: Math.min(most, Math.max(least, value)), least, most, isLogarithmic: true };
  },
  command: ({ item, index: which }, value) => ({ name: 'setWeight', item, index: which, weight: value }),
  offers: (item) =>
    item.kind === 'curve' && !item.faint
      ? item.curve.points.map((_, which) => ({
          of: 'weight',
          item: item.id,
          index: which,
          least: 0.1,
          most: 10,
        }))
      : [],
};
