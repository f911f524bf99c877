import { withoutPeriod } from '../../curve/periodic.js';
import { multiplicityAt } from '../../curve/knotVector.js';
import { openCurve } from '../../curve/close.js';
import { parameter } from '../part/parts.js';
import { onCurves, oneCurve } from './define.js';

/** A closed curve cut open at a parameter. */
export const open = onCurves({
  name: 'open',
  aim: 'apart',
  sources: oneCurve,
  arguments: { parameter },
  shape: 'kept',
  asks: ['parameter'],
  first: (_, cursor) => ({ parameter: cursor }),
  run: (curve, args) => openCurve(curve, args.parameter),
  calculation: async (curve, { parameter: u }) => {
    const { knotInsertion } = await import('../calculation/knotInsertion.js');
    return knotInsertion(withoutPeriod(curve), u, Math.max(0, curve.degree - multiplicityAt(curve, u)));
  },
});
