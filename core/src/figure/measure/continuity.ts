import { measureContinuity } from '../../curve/continuity.js';
import { interiorKnots } from '../../curve/knotVector.js';
import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { curveOf } from '../evaluation/evaluate.js';
import { index } from '../part/parts.js';
import { onCurve, type MeasureMember } from './define.js';

const description = tagged('of', 'continuity', { item: itemId, index });
export type ContinuityMeasure = ValueOf<typeof description>;

/** The order of parametric continuity that is measured at a knot, by its place in the knot vector. */
export const continuity: MeasureMember<ContinuityMeasure> = {
  description,
  measure: onCurve((curve, measure) => {
    const knot = curve.knots[measure.index];
    const found = measureContinuity(curve).find((one) => one.knot === knot);
    return found && { kind: 'order', value: Math.min(found.parametric, curve.degree) };
  }),
  offers: (item, { evaluation }) => {
    const curve = curveOf(evaluation, item.id);
    if (!curve) return [];
    return interiorKnots(curve.knots, curve.degree).map(({ value }) => ({
      of: 'continuity',
      item: item.id,
      index: curve.knots.indexOf(value),
    }));
  },
};
