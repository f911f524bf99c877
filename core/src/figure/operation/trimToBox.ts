import { domainOf } from '../../curve/knotVector.js';
import { told } from '../../told/told.js';
import { CurveError } from '../../curve/error.js';
import { pair, place, whole } from '../../describe/describe.js';
import { onCurves, oneCurve } from './define.js';
import { mathematics } from './later.js';

/** One of the parts of a curve that lie inside a box along the axes, counted from 0 along the curve. */
export const trimToBox = onCurves({
  name: 'trimToBox',
  aim: 'apart',
  sources: oneCurve,
  arguments: { corners: pair(place), index: whole(0, 1999) },
  shape: 'another',
  asks: ['corners', 'index'],
  first: ({ points }) => {
    const xs = points.map(([x]) => x!);
    const ys = points.map(([, y]) => y!);
    const middle = (values: readonly number[]): number => (Math.min(...values) + Math.max(...values)) / 2;
    return {
      corners: [
        [Math.min(...xs), Math.min(...ys)],
        [middle(xs), Math.max(...ys)],
      ],
      index: 0,
    } as const;
  },
  run: (curve, { corners, index }) => {
    const parts = mathematics().trimToBox(curve, corners);
    const part = parts[index];
    if (part) return part;
    if (parts.length === 0) throw new CurveError('index', told('noPartInBox'), { index, value: index });
    throw new CurveError('index', told('noPart', { index, last: parts.length - 1 }), { index, value: index });
  },
  calculation: async (curve, { corners, index }) => {
    const part = mathematics().trimToBox(curve, corners)[index];
    if (!part) return [];
    const { cutsCalculation } = await import('../calculation/knotInsertion.js');
    return cutsCalculation(curve, ...domainOf(part.knots, part.degree));
  },
});
