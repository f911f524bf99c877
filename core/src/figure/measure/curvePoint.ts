import { pointAt } from '../../curve/evaluate.js';
import { itemId, tagged, whole, type ValueOf } from '../../describe/describe.js';
import { curveOf } from '../evaluation/evaluate.js';
import { numberIn, onCurve, type MeasureMember } from './define.js';

const description = tagged('of', 'curvePoint', {
  item: itemId,
  /** 0 for x, 1 for y. */
  axis: whole(0, 2),
});
export type CurvePointMeasure = ValueOf<typeof description>;

/** A coordinate of the curve's point at the cursor. */
export const curvePoint: MeasureMember<CurvePointMeasure> = {
  description,
  measure: onCurve((curve, { axis }, { cursor }) => numberIn(pointAt(curve, cursor)[axis], 'length')),
  offers: (item, { evaluation }) =>
    curveOf(evaluation, item.id) ? [0, 1].map((axis) => ({ of: 'curvePoint', item: item.id, axis })) : [],
};
