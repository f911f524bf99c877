import { whole } from '../../describe/describe.js';
import { onCurves, oneCurve } from './define.js';
import { mathematics } from './later.js';

/** The same curve at a higher degree. */
export const raiseDegree = onCurves({
  name: 'raiseDegree',
  aim: 'freedom',
  sources: oneCurve,
  arguments: { times: whole(1, 9) },
  shape: 'kept',
  signedWeights: true,
  asks: ['times'],
  compares: 'times',
  first: () => ({ times: 1 }),
  run: (curve, { times }) => mathematics().elevateDegree(curve, times),
  calculation: async (curve) => (await import('../calculation/degreeElevation.js')).degreeElevation(curve),
});
