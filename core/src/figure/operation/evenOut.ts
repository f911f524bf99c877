import { list, number, object, optional, whole } from '../../describe/describe.js';
import { onCurves, oneCurve } from './define.js';
import { mathematics } from './later.js';

/** The curve with a parameter that follows its arc length. */
export const evenOut = onCurves({
  name: 'evenOut',
  aim: 'parameter',
  sources: oneCurve,
  arguments: {
    /** Parameters that keep their place on the curve, and the values that they get. */
    held: list(object({ at: number(), value: optional(number()) }), 100),
    perSpan: whole(1, 50),
  },
  shape: 'near',
  asks: ['perSpan', 'held'],
  first: () => ({ held: [], perSpan: 1 }),
  run: (source, { held, perSpan }) => {
    const { curve, deviation, unevenness } = mathematics().evenOut(source, held, perSpan);
    return { curve, deviation, measure: { kind: 'unevenness', value: unevenness } };
  },
  calculation: async (source, { held, perSpan }) => {
    const { curve, deviation } = mathematics().evenOut(source, held, perSpan);
    return (await import('../calculation/approximation.js')).approximation(curve, deviation);
  },
});
