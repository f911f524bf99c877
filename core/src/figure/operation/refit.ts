import { spansOf } from '../../curve/knotVector.js';
import { whole } from '../../describe/describe.js';
import { degree } from '../part/parts.js';
import { onCurves, oneCurve } from './define.js';
import { mathematics } from './later.js';

/** The best curve of a degree and number of spans. */
export const refit = onCurves({
  name: 'refit',
  aim: 'cost',
  sources: oneCurve,
  arguments: { degree, spans: whole(1, 500) },
  shape: 'near',
  asks: ['degree', 'spans'],
  compares: 'degree',
  first: (curve) => ({ degree: curve.degree, spans: spansOf(curve.knots, curve.degree).length }),
  run: (curve, args) => mathematics().refitCurve(curve, args.degree, args.spans),
  calculation: async (curve, args) => {
    const { curve: made, deviation } = mathematics().refitCurve(curve, args.degree, args.spans);
    return (await import('../calculation/approximation.js')).approximation(made, deviation);
  },
});
