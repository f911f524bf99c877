import { whole } from '../../describe/describe.js';
import { onCurves, oneCurve } from './define.js';
import { mathematics } from './later.js';

/** A curve of a lower degree, as near as it comes. */
export const lowerDegree = onCurves({
  name: 'lowerDegree',
  aim: 'cost',
  sources: oneCurve,
  arguments: { times: whole(1, 9) },
  shape: 'near',
  asks: ['times'],
  compares: 'times',
  first: () => ({ times: 1 }),
  run: (curve, { times }) => mathematics().reduceDegree(curve, times),
  calculation: async (curve, { times }) => {
    const { curve: made, deviation } = mathematics().reduceDegree(curve, times);
    return (await import('../calculation/approximation.js')).approximation(made, deviation);
  },
});
