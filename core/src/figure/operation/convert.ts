import { curveKinds } from '../../curve/curveKinds.js';
import { choice } from '../../describe/describe.js';
import { onCurves, oneCurve } from './define.js';
import { mathematics } from './later.js';

/** The curve as another kind. */
export const convert = onCurves({
  name: 'convert',
  aim: 'kind',
  sources: oneCurve,
  arguments: { kind: choice(...curveKinds) },
  shape: 'near',
  asks: ['kind'],
  first: () => ({ kind: 'bezier' }) as const,
  run: (curve, { kind }) => mathematics().convertCurve(curve, kind),
  calculation: async (source, { kind }) => {
    const { curve, deviation } = mathematics().convertCurve(source, kind);
    return (await import('../calculation/approximation.js')).approximation(curve, deviation);
  },
});
