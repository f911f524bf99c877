import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { degree as degreeField } from '../parts.js';
import type { FreedomMember } from './define.js';

const description = tagged('kind', 'degree', { item: itemId, least: degreeField, most: degreeField });
export type DegreeFreedom = ValueOf<typeof description>;

/** The degree of a curve may be set, within bounds; its control points stay. */
export const degree: FreedomMember<DegreeFreedom> = {
  description,
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
