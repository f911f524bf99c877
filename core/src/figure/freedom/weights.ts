import { itemId, list, tagged, type ValueOf } from '../../describe/describe.js';
import { figureLimits, index } from '../parts.js';
import { union, type FreedomMember } from './define.js';

const description = tagged('kind', 'weights', { item: itemId, indices: list(index, figureLimits.points, 1) });
export type WeightsFreedom = ValueOf<typeof description>;

/** The weights of some control points may be set. */
export const weights: FreedomMember<WeightsFreedom> = {
  description,
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
