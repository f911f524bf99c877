import { number } from '../../describe/describe.js';
import { onCurves, twoCurves } from './define.js';
import { mathematics } from './later.js';

/** One curve of two that meet within a tolerance. */
export const join = onCurves({
  name: 'join',
  aim: 'together',
  sources: twoCurves,
  arguments: { tolerance: number({ unit: 'length', least: 0, most: 1e4 }) },
  shape: 'another',
  asks: ['tolerance'],
  first: () => ({ tolerance: 0.001 }),
  run: (curve, { tolerance }, second) => mathematics().joinCurves(curve, second, tolerance),
  calculation: async (curve, _, second) =>
    (await import('../calculation/joint.js')).jointCalculation(curve, second),
});
