import { itemId, number, tagged, unionOf, type UnionField, type ValueOf } from '../../describe/describe.js';
import { index } from './parts.js';

const wholeItem = tagged('of', 'item', { item: itemId });
const controlPoint = tagged('of', 'controlPoint', { item: itemId, index });
const editPoint = tagged('of', 'editPoint', { item: itemId, index });
const knot = tagged('of', 'knot', { item: itemId, value: number({ unit: 'parameter' }) });
const span = tagged('of', 'span', { item: itemId, index });

/** A thing in a figure that words can point at: it lights up with them. */
export type Target = ValueOf<
  typeof wholeItem | typeof controlPoint | typeof editPoint | typeof knot | typeof span
>;

export const targetDescription: UnionField<Target> = unionOf('of', {
  item: { description: wholeItem },
  controlPoint: { description: controlPoint },
  editPoint: { description: editPoint },
  knot: { description: knot },
  span: { description: span },
});
