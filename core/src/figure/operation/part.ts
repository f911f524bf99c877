import { domainOf } from '../../curve/knotVector.js';
import { extractPart } from '../../curve/split.js';
import { parameter } from '../part/parts.js';
import { onCurves, oneCurve } from './define.js';

/** The part of a curve between two parameters. */
export const part = onCurves({
  name: 'part',
  aim: 'apart',
  sources: oneCurve,
  arguments: { from: parameter, to: parameter },
  shape: 'another',
  signedWeights: true,
  asks: ['from', 'to'],
  first: (curve, cursor) => ({ from: cursor, to: domainOf(curve.knots, curve.degree)[1] }),
  run: (curve, { from, to }) => extractPart(curve, from, to),
  calculation: async (curve, { from, to }) =>
    (await import('../calculation/knotInsertion.js')).cutsCalculation(curve, from, to),
});
