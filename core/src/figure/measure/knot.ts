import { interiorKnots } from '../../curve/knotVector.js';
import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { curveOf } from '../evaluation/evaluate.js';
import { index } from '../part/parts.js';
import { numberIn, onCurve, type MeasureMember } from './define.js';

const description = tagged('of', 'knot', { item: itemId, index });
export type KnotMeasure = ValueOf<typeof description>;

/** The value of a knot, by its place in the knot vector. */
export const knot: MeasureMember<KnotMeasure> = {
  description,
  measure: onCurve((curve, measure) => numberIn(curve.knots[measure.index], 'none')),
  offers: (item, { evaluation }) => {
    const curve = curveOf(evaluation, item.id);
    if (!curve) return [];
    return interiorKnots(curve.knots, curve.degree).map(({ value }) => ({
      of: 'knot',
      item: item.id,
      index: curve.knots.indexOf(value),
    }));
  },
};
