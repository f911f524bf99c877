import { choice, signs } from '../../describe/describe.js';
import { onCurves, oneCurve } from './define.js';
import { mathematics } from './later.js';

/** The curve closed in one of three ways. */
export const close = onCurves({
  name: 'close',
  aim: 'together',
  sources: oneCurve,
  arguments: {
    way: choice('pull', 'bridge', 'wrap'),
    /** For a bridge: how many derivatives it shares with the curve at both ends. */
    continuity: signs(0, 1, 2),
  },
  shape: 'another',
  asks: ['way', 'continuity'],
  first: () => ({ way: 'wrap', continuity: 1 }) as const,
  run: (curve, { way, continuity }) => mathematics().closeCurve(curve, way, continuity),
  calculation: async (curve, { way, continuity }) =>
    (await import('../calculation/ofFacts.js')).continuityCalculation(
      mathematics().closeCurve(curve, way, continuity),
    ),
});
