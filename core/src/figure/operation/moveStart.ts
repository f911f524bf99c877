import { withoutPeriod } from '../../curve/periodic.js';
import { multiplicityAt } from '../../curve/knotVector.js';
import { moveSeam } from '../../curve/close.js';
import { parameter } from '../part/parts.js';
import { onCurves, oneCurve } from './define.js';

/** The same closed curve starting at another parameter. */
export const moveStart = onCurves({
  name: 'moveStart',
  aim: 'parameter',
  sources: oneCurve,
  arguments: { parameter },
  shape: 'kept',
  asks: ['parameter'],
  first: (_, cursor) => ({ parameter: cursor }),
  run: (curve, args) => moveSeam(curve, args.parameter),
  calculation: async (curve, { parameter: u }) => {
    const { knotInsertion } = await import('../calculation/knotInsertion.js');
    return knotInsertion(withoutPeriod(curve), u, Math.max(0, curve.degree - multiplicityAt(curve, u)));
  },
});
