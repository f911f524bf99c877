import type { FreedomOf } from '../document/freedoms.js';
import type { FreedomMember } from './define.js';

/** The knots inside a curve may be pulled. */
export const knots: FreedomMember<FreedomOf<'knots'>> = {
  permits: ({ item }, command) => command.name === 'moveKnot' && command.item === item,
  from: (command) => (command.name === 'moveKnot' ? { kind: 'knots', item: command.item } : undefined),
  joined: (first, second) => (first.item === second.item ? first : undefined),
};
