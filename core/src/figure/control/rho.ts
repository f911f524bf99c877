import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { itemOf, type FigureDocument } from '../document/document.js';
import type { ControlMember } from './define.js';

const description = tagged('of', 'rho', { item: itemId });
export type RhoControl = ValueOf<typeof description>;

const conicOf = (document: FigureDocument, id: string) => {
  const item = itemOf(document, id);
  return item?.kind === 'shape' && item.shape.kind === 'conic' ? item.shape : undefined;
};

/** Rho of a conic: below one half an ellipse, at one half a parabola, above a hyperbola. */
export const rho: ControlMember<RhoControl> = {
  description,
  range: ({ item }, { document }) => {
    const conic = conicOf(document, item);
    return conic && { value: conic.rho, least: 0.02, most: 0.98 };
  },
  command: ({ item }, value, { document }) => {
    const conic = conicOf(document, item);
    return conic && { name: 'setShape', item, shape: { ...conic, rho: value } };
  },
  offers: (item) =>
    item.kind === 'shape' && item.shape.kind === 'conic' ? [{ of: 'rho', item: item.id }] : [],
};
