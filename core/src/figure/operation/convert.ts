import { convertCurve, curveKinds } from '../../curve/convert.js';
import { choice } from '../../describe/describe.js';
import { onCurves, oneCurve } from './define.js';

/** The curve as another kind. */
export const convert = onCurves({
  name: 'convert',
  aim: 'kind',
  sources: oneCurve,
  arguments: { kind: choice(...curveKinds) },
  shape: 'near',
  asks: ['kind'],
  first: () => ({ kind: 'bezier' }) as const,
  run: (curve, { kind }) => convertCurve(curve, kind),
  calculation: async (source, { kind }) => {
    const { curve, deviation } = convertCurve(source, kind);
    return (await import('../calculation/approximation.js')).approximation(curve, deviation);
  },
});
