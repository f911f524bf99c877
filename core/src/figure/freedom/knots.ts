import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import type { FreedomMember } from './define.js';

const description = tagged('kind', 'knots', { item: itemId });
export type KnotsFreedom = ValueOf<typeof description>;

/** The knots inside a curve may be pulled. */
export const knots: FreedomMember<KnotsFreedom> = {
  description,
  permits: ({ item }, command) => command.name === 'moveKnot' && command.item === item,
  from: (command) => (command.name === 'moveKnot' ? { kind: 'knots', item: command.item } : undefined),
  joined: (first, second) => (first.item === second.item ? first : undefined),
};
