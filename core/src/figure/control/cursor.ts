import { domainOf } from '../../curve/knotVector.js';
import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { curveOf } from '../evaluation/evaluate.js';
import type { ControlMember } from './define.js';

const description = tagged('of', 'cursor', { item: itemId });
export type CursorControl = ValueOf<typeof description>;

/** The parameter at which one looks. It is no part of the figure. */
export const cursor: ControlMember<CursorControl> = {
  description,
  range: ({ item }, { evaluation, cursor: value }) => {
    const curve = curveOf(evaluation, item);
    if (!curve) return undefined;
    const [least, most] = domainOf(curve.knots, curve.degree);
    return { value: Math.min(most, Math.max(least, value)), least, most };
  },
  command: () => undefined,
  offers: (item, { evaluation }) => (curveOf(evaluation, item.id) ? [{ of: 'cursor', item: item.id }] : []),
};
