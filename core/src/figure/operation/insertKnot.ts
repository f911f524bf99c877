import { insertKnot as insert } from '../../curve/insertKnot.js';
import { whole } from '../../describe/describe.js';
import { parameter } from '../part/parts.js';
import { onCurves, oneCurve } from './define.js';

/** The same curve with a knot inserted. */
export const insertKnot = onCurves({
  name: 'insertKnot',
  aim: 'freedom',
  sources: oneCurve,
  arguments: { parameter, times: whole(1, 9) },
  shape: 'kept',
  signedWeights: true,
  asks: ['parameter', 'times'],
  first: (_, cursor) => ({ parameter: cursor, times: 1 }),
  run: (curve, args) => insert(curve, args.parameter, args.times),
  calculation: async (curve, { parameter: u, times }) =>
    (await import('../calculation/knotInsertion.js')).knotInsertion(curve, u, times),
});
