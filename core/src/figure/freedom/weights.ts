import type { FreedomOf } from '../document/freedoms.js';
import { union, type FreedomMember } from './define.js';

/** The weights of some control points may be set. */
export const weights: FreedomMember<FreedomOf<'weights'>> = {
  permits: ({ item, indices }, command) =>
    command.name === 'setWeight' && command.item === item && indices.includes(command.index),
  from: (command) =>
    command.name === 'setWeight'
      ? { kind: 'weights', item: command.item, indices: [command.index] }
      : undefined,
  joined: (first, second) =>
    first.item === second.item
      ? { ...first, indices: union(first.indices, second.indices).sort((a, b) => a - b) }
      : undefined,
};
