import { interiorKnots } from '../../curve/knotVector.js';
import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { curveOf } from '../evaluation/evaluate.js';
import type { ControlMember } from './define.js';

const description = tagged('of', 'apart', { item: itemId });
export type ApartControl = ValueOf<typeof description>;

/** How far the pieces between a curve's knots are apart, from 0 to 1. It is no part of the figure. */
export const apart: ControlMember<ApartControl> = {
  description,
  range: ({ item }, { evaluation }) => {
    const curve = curveOf(evaluation, item);
    return curve && interiorKnots(curve.knots, curve.degree).length > 0
      ? { value: 0, least: 0, most: 1 }
      : undefined;
  },
  command: () => undefined,
  offers: (item, of) => {
    const control: ApartControl = { of: 'apart', item: item.id };
    return apart.range(control, of) ? [control] : [];
  },
};
