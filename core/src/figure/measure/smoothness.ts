import { measureContinuity } from '../../curve/continuity.js';
import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { curveOf } from '../evaluation/evaluate.js';
import { onCurve, type MeasureMember } from './define.js';

const description = tagged('of', 'smoothness', { item: itemId });
export type SmoothnessMeasure = ValueOf<typeof description>;

/** The least order of parametric continuity at any knot, or where there is none inside, the degree: up to there all derivatives can differ from zero. */
export const smoothness: MeasureMember<SmoothnessMeasure> = {
  description,
  measure: onCurve((curve) => ({
    kind: 'order',
    value: measureContinuity(curve).reduce(
      (least, { parametric }) => Math.min(least, parametric),
      curve.degree,
    ),
  })),
  offers: (item, { evaluation }) =>
    curveOf(evaluation, item.id) ? [{ of: 'smoothness', item: item.id }] : [],
};
