import type { FreedomOf } from '../document/freedoms.js';
import type { FreedomMember } from './define.js';

/** The degree of a curve may be set, within bounds; its control points stay. */
export const degree: FreedomMember<FreedomOf<'degree'>> = {
  permits: ({ item, least, most }, command) =>
    command.name === 'setDegree' &&
    command.item === item &&
    command.degree >= least &&
    command.degree <= most,
  from: (command) =>
    command.name === 'setDegree'
      ? { kind: 'degree', item: command.item, least: command.degree, most: command.degree }
      : undefined,
  joined: (first, second) =>
    first.item === second.item
      ? {
          ...first,
          least: Math.min(first.least, second.least),
          most: Math.max(first.most, second.most),
        }
      : undefined,
};
