import { reparametriseMobius } from '../../curve/reparametrise.js';
import { number } from '../../describe/describe.js';
import { onCurves, oneCurve } from './define.js';

/** The same curve with its parameter shifted towards one end. */
export const mobius = onCurves({
  name: 'mobius',
  aim: 'parameter',
  sources: oneCurve,
  arguments: { factor: number({ unit: 'ratio', least: 0.001, most: 1000 }) },
  shape: 'kept',
  signedWeights: true,
  asks: ['factor'],
  first: () => ({ factor: 2 }),
  run: (curve, { factor }) => reparametriseMobius(curve, factor),
  calculation: async (curve, { factor }) =>
    (await import('../calculation/pointByPoint.js')).shiftedParameter(
      curve,
      factor,
      reparametriseMobius(curve, factor),
    ),
});
