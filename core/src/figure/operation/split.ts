import { splitCurve } from '../../curve/split.js';
import { choice } from '../../describe/describe.js';
import { parameter } from '../part/parts.js';
import { multiplicityAt } from '../../curve/knotVector.js';
import { onCurves, oneCurve } from './define.js';

/** What lies before or after a parameter at which a curve is split. */
export const split = onCurves({
  name: 'split',
  aim: 'apart',
  sources: oneCurve,
  arguments: { parameter, side: choice('before', 'after') },
  shape: 'another',
  signedWeights: true,
  asks: ['parameter', 'side'],
  first: (_, cursor) => ({ parameter: cursor, side: 'before' }) as const,
  run: (curve, args) => splitCurve(curve, args.parameter)[args.side === 'before' ? 0 : 1],
  calculation: async (curve, { parameter: u }) =>
    (await import('../calculation/knotInsertion.js')).knotInsertion(
      curve,
      u,
      curve.degree - multiplicityAt(curve, u),
    ),
});
