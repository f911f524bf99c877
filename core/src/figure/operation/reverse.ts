import { reverseCurve } from '../../curve/reparametrise.js';
import { onCurves, oneCurve } from './define.js';

/** The same curve run through the other way. */
export const reverse = onCurves({
  name: 'reverse',
  aim: 'parameter',
  sources: oneCurve,
  arguments: {},
  shape: 'kept',
  signedWeights: true,
  asks: [],
  first: () => ({}),
  run: (curve) => reverseCurve(curve),
  calculation: async (curve) => (await import('../calculation/pointByPoint.js')).reversed(curve),
});
