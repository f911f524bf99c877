import { told } from '../../told/told.js';
import { decompose } from '../../curve/decompose.js';
import { CurveError } from '../../curve/error.js';
import { whole } from '../../describe/describe.js';
import { onCurves, oneCurve } from './define.js';

/** One Bézier piece of a curve that is taken apart, counted from 0. */
export const piece = onCurves({
  name: 'piece',
  aim: 'apart',
  sources: oneCurve,
  arguments: { index: whole(0, 1999) },
  shape: 'another',
  signedWeights: true,
  asks: ['index'],
  first: () => ({ index: 0 }),
  run: (curve, { index }) => {
    const pieces = decompose(curve);
    const piece = pieces[index];
    if (piece) return piece;
    throw new CurveError('index', told('noPiece', { index, last: pieces.length - 1 }), {
      index,
      value: index,
    });
  },
  calculation: async (curve) =>
    (await import('../calculation/knotInsertion.js')).decompositionCalculation(curve),
});
