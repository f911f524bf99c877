import { insertEditPoint as insert } from '../../curve/insertEditPoint.js';
import { parameter } from '../parts.js';
import { onCurves, oneCurve } from './define.js';

/** The same curve with one more edit point, at a parameter. */
export const insertEditPoint = onCurves({
  name: 'insertEditPoint',
  aim: 'freedom',
  sources: oneCurve,
  arguments: { parameter },
  shape: 'kept',
  asks: ['parameter'],
  first: (_, cursor) => ({ parameter: cursor }),
  run: (curve, args) => insert(curve, args.parameter),
});
