import { line } from '../../describe/describe.js';
import { onCurves, oneCurve } from './define.js';
import { mathematics } from './later.js';

/** The mirror image of a curve in the line through two places. */
export const mirror = onCurves({
  name: 'mirror',
  aim: 'kind',
  sources: oneCurve,
  arguments: { axis: line },
  shape: 'another',
  asks: ['axis'],
  first: ({ points }) => {
    const right = Math.max(...points.map(([x]) => x!));
    return {
      axis: [
        [right, 0],
        [right, 1],
      ],
    } as const;
  },
  run: (curve, { axis }) => mathematics().mirrorCurve(curve, mathematics().mirrorThrough(...axis)),
  calculation: async (curve, { axis }) =>
    (await import('../calculation/pointByPoint.js')).mirrored(curve, mathematics().mirrorThrough(...axis)),
});
