import { nearestPoint } from '../../curve/nearest.js';
import { itemId } from '../../describe/describe.js';
import { itemOf } from '../../figure/document/document.js';
import { atPlace, defineCondition, notThere, tolerance } from './define.js';

/** The curve passes within a tolerance of a reference point. */
export const curveThroughPoint = defineCondition(
  'curveThroughPoint',
  { target: itemId, tolerance },
  'length',
  (condition, { document, curve }) => {
    const target = itemOf(document, condition.target);
    if (target?.kind !== 'point') return notThere;
    return atPlace(nearestPoint(curve, target.at).point, target.at, condition.tolerance);
  },
  ({ document }) => ({
    target: document.items.find(({ kind }) => kind === 'point')?.id ?? '',
    tolerance: 0.5,
  }),
  ({ document }) =>
    document.items
      .filter(({ kind }) => kind === 'point')
      .slice(1)
      .map(({ id }) => ({ target: id, tolerance: 0.5 })),
);
