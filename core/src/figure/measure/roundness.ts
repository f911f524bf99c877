import { bestCircle, circleError } from '../../curve/circleError.js';
import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { curveOf } from '../evaluation/evaluate.js';
import { numberIn, onCurve, type MeasureMember } from './define.js';

const description = tagged('of', 'roundness', { item: itemId });
export type RoundnessMeasure = ValueOf<typeof description>;

/** How far a curve is from the circle that fits it best, where it is farthest. */
export const roundness: MeasureMember<RoundnessMeasure> = {
  description,
  measure: onCurve((curve) => {
    const { centre, radius } = bestCircle(curve);
    return numberIn(Math.abs(circleError(curve, centre, radius).largest), 'length');
  }),
  offers: (item, { evaluation }) => {
    const curve = curveOf(evaluation, item.id);
    return curve && curve.points.length > 2 ? [{ of: 'roundness', item: item.id }] : [];
  },
};
