import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { curveOf } from '../evaluation/evaluate.js';
import { index } from '../part/parts.js';
import { numberIn, onCurve, type MeasureMember } from './define.js';

const description = tagged('of', 'weight', { item: itemId, index });
export type WeightMeasure = ValueOf<typeof description>;

/** The weight of a control point; 1 where the curve is polynomial. */
export const weight: MeasureMember<WeightMeasure> = {
  description,
  measure: onCurve((curve, measure) =>
    measure.index < curve.points.length ? numberIn(curve.weights?.[measure.index] ?? 1, 'none') : undefined,
  ),
  offers: (item, { evaluation }) =>
    (curveOf(evaluation, item.id)?.weights ?? []).map((_, at) => ({
      of: 'weight',
      item: item.id,
      index: at,
    })),
};
