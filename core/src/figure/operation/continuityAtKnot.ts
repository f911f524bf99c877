import { extractPart } from '../../curve/split.js';
import { domainOf } from '../../curve/knotVector.js';
import { interiorKnots } from '../../curve/knotVector.js';
import { number, signs } from '../../describe/describe.js';
import { onCurves, oneCurve } from './define.js';
import { mathematics } from './later.js';

/** The curve brought to a continuity at one of its knots. */
export const continuityAtKnot = onCurves({
  name: 'continuityAtKnot',
  aim: 'together',
  sources: oneCurve,
  arguments: {
    parameter: number({ unit: 'parameter', from: 'knots' }),
    continuity: signs('G0', 'G1', 'G2', 'G3', 'C1', 'C2'),
  },
  shape: 'another',
  asks: ['parameter', 'continuity'],
  first: (curve) =>
    ({
      parameter: interiorKnots(curve.knots, curve.degree)[0]?.value ?? NaN,
      continuity: 'G1',
    }) as const,
  run: (source, { parameter, continuity }) => {
    const { curve, largestMove } = mathematics().continueAtKnot(source, parameter, continuity);
    return {
      curve,
      deviation: mathematics().largestDeviation(source, curve),
      measure: { kind: 'largestMove', value: largestMove },
    };
  },
  calculation: async (source, { parameter, continuity }) => {
    const { curve } = mathematics().continueAtKnot(source, parameter, continuity);
    const { jointCalculation } = await import('../calculation/joint.js');
    const [start, end] = domainOf(curve.knots, curve.degree);
    if (!(parameter > start && parameter < end)) return [];
    return jointCalculation(extractPart(curve, start, parameter), extractPart(curve, parameter, end));
  },
});
