import { index } from '../part/parts.js';
import { onCurves, oneCurve } from './define.js';
import { mathematics } from './later.js';

/** The curve with a control point less, and its edit point with it. */
export const removePoint = onCurves({
  name: 'removePoint',
  aim: 'cost',
  sources: oneCurve,
  arguments: { index },
  shape: 'near',
  asks: ['index'],
  first: () => ({ index: 1 }),
  run: (curve, args) => mathematics().removeControlPoint(curve, args.index),
  calculation: async (curve, { index }) => {
    const { curve: made, deviation } = mathematics().removeControlPoint(curve, index);
    return (await import('../calculation/approximation.js')).approximation(made, deviation);
  },
});
