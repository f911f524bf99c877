import { interiorKnots } from '../../curve/knotVector.js';
import { number, whole } from '../../describe/describe.js';
import { onCurves, oneCurve } from './define.js';
import { mathematics } from './later.js';

/** The curve with a knot taken out, as near as it comes. */
export const removeKnot = onCurves({
  name: 'removeKnot',
  aim: 'cost',
  sources: oneCurve,
  arguments: { parameter: number({ unit: 'parameter', from: 'knots' }), times: whole(1, 9) },
  shape: 'near',
  asks: ['parameter', 'times'],
  first: (curve) => ({ parameter: interiorKnots(curve.knots, curve.degree)[0]?.value ?? NaN, times: 1 }),
  run: (curve, args) => mathematics().removeKnot(curve, args.parameter, args.times),
  calculation: async (curve, { parameter }) =>
    (await import('../calculation/knotRemoval.js')).knotRemoval(curve, parameter),
});
