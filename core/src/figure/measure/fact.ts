import { choice, itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { isCurveItem } from '../document/item.js';
import { curveOf } from '../evaluation/evaluate.js';
import { factNames, facts } from '../fact/facts.js';
import { onCurve, type MeasureMember } from './define.js';

const description = tagged('of', 'fact', { item: itemId, fact: choice(...factNames) });
export type FactMeasure = ValueOf<typeof description>;

/** A fact of a curve. Its continuity at all knots is told knot by knot instead. */
export const fact: MeasureMember<FactMeasure> = {
  description,
  measure: onCurve((curve, measure, _, item) => {
    const value = facts[measure.fact](curve, item);
    return value?.kind === 'continuity' ? undefined : value;
  }),
  offers: (item, { evaluation }) => {
    const curve = curveOf(evaluation, item.id);
    if (!isCurveItem(item) || !curve) return [];
    return factNames.flatMap((name) => {
      const value = facts[name](curve, item);
      return value && value.kind !== 'continuity' ? [{ of: 'fact', item: item.id, fact: name }] : [];
    });
  },
};
