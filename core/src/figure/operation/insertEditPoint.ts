import { domainOf } from '../../curve/knotVector.js';
import { parameter } from '../part/parts.js';
import { onCurves, oneCurve } from './define.js';
import { mathematics } from './later.js';

/** The same curve with one more edit point, at a parameter. */
export const insertEditPoint = onCurves({
  name: 'insertEditPoint',
  aim: 'freedom',
  sources: oneCurve,
  arguments: { parameter },
  shape: 'kept',
  asks: ['parameter'],
  first: (_, cursor) => ({ parameter: cursor }),
  run: (curve, args) => mathematics().insertEditPoint(curve, args.parameter),
  calculation: async (curve, { parameter: at }) => {
    const [start, end] = domainOf(curve.knots, curve.degree);
    // The one knot that the new edit point needs.
    const knot = mathematics()
      .insertEditPoint(curve, at)
      .knots.find((value) => value > start && value < end && !curve.knots.includes(value));
    const { knotInsertion } = await import('../calculation/knotInsertion.js');
    return knot === undefined ? [] : knotInsertion(curve, knot, 1);
  },
});
