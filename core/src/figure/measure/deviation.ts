import { largestDeviation } from '../../curve/deviation.js';
import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { isCurveItem } from '../document/item.js';
import { curveOf } from '../evaluation/evaluate.js';
import { numberIn, onCurve, type MeasureMember } from './define.js';

const description = tagged('of', 'deviation', { item: itemId, from: itemId });
export type DeviationMeasure = ValueOf<typeof description>;

/** The largest distance of a curve from another, at equal shares of their parameters. */
export const deviation: MeasureMember<DeviationMeasure> = {
  description,
  measure: onCurve((curve, { from }, { evaluation }) => {
    const other = curveOf(evaluation, from);
    return other && numberIn(largestDeviation(curve, other).distance, 'length');
  }),
  offers: (item, { document, evaluation }) =>
    curveOf(evaluation, item.id)
      ? document.items.flatMap((other) =>
          other.id !== item.id && isCurveItem(other)
            ? [{ of: 'deviation', item: item.id, from: other.id }]
            : [],
        )
      : [],
};
