import { addScaled } from '../../curve/vector.js';
import { place } from '../../describe/describe.js';
import { onCurves, oneCurve } from './define.js';

/** The same curve, moved aside. */
export const copy = onCurves({
  name: 'copy',
  aim: 'kind',
  sources: oneCurve,
  arguments: { offset: place },
  shape: 'another',
  signedWeights: true,
  asks: ['offset'],
  first: () => ({ offset: [10, -10] }),
  run: (curve, { offset }) => ({ ...curve, points: curve.points.map((point) => addScaled(point, offset)) }),
  calculation: async (curve, { offset }) =>
    (await import('../calculation/pointByPoint.js')).movedAside(curve, offset),
});
