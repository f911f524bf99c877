import { rationalBasisFunctions } from '../../curve/evaluate.js';
import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { curveOf } from '../evaluation/evaluate.js';
import { index } from '../part/parts.js';
import { numberIn, onCurve, type MeasureMember } from './define.js';

const description = tagged('of', 'basis', { item: itemId, index });
export type BasisMeasure = ValueOf<typeof description>;

/** The value of a basis function at the cursor, with the weights. */
export const basis: MeasureMember<BasisMeasure> = {
  description,
  measure: onCurve((curve, measure, { cursor }) => {
    if (measure.index >= curve.points.length) return undefined;
    const { first, values } = rationalBasisFunctions(curve, cursor);
    return numberIn(values[measure.index - first] ?? 0, 'none');
  }),
  offers: (item, { evaluation }) =>
    (curveOf(evaluation, item.id)?.points ?? []).map((_, at) => ({ of: 'basis', item: item.id, index: at })),
};
