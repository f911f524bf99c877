import { curvatureAt } from '../../curve/differential.js';
import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { curveOf } from '../evaluation/evaluate.js';
import { numberIn, onCurve, type MeasureMember } from './define.js';

const description = tagged('of', 'curvature', { item: itemId });
export type CurvatureMeasure = ValueOf<typeof description>;

/** The curvature at the cursor. */
export const curvature: MeasureMember<CurvatureMeasure> = {
  description,
  measure: onCurve((curve, _, { cursor }) => numberIn(curvatureAt(curve, cursor), 'curvature')),
  offers: (item, { evaluation }) =>
    curveOf(evaluation, item.id) ? [{ of: 'curvature', item: item.id }] : [],
};
