import { mapDomain as map } from '../../curve/reparametrise.js';
import { number } from '../../describe/describe.js';
import { onCurves, oneCurve } from './define.js';

/** The same curve with its parameter stretched to another domain. */
export const mapDomain = onCurves({
  name: 'mapDomain',
  aim: 'parameter',
  sources: oneCurve,
  arguments: { start: number({ unit: 'parameter' }), end: number({ unit: 'parameter' }) },
  shape: 'kept',
  signedWeights: true,
  asks: ['start', 'end'],
  first: () => ({ start: 0, end: 1 }),
  run: (curve, { start, end }) => map(curve, start, end),
  calculation: async (curve, { start, end }) =>
    (await import('../calculation/pointByPoint.js')).mappedKnots(curve, start, end),
});
