import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { curveOf } from '../evaluation/evaluate.js';
import { numberIn, type MeasureMember } from './define.js';

const description = tagged('of', 'cursor', { item: itemId });
export type CursorMeasure = ValueOf<typeof description>;

/** The parameter at which one looks. */
export const cursor: MeasureMember<CursorMeasure> = {
  description,
  measure: (_, of) => numberIn(of.cursor, 'none'),
  offers: (item, { evaluation }) => (curveOf(evaluation, item.id) ? [{ of: 'cursor', item: item.id }] : []),
};
