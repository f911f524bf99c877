import { number } from '../../describe/describe.js';
import { degree } from '../part/parts.js';
import { onCurves, oneCurve } from './define.js';
import { mathematics } from './later.js';

/** A curve of a degree within a tolerance, with few spans. */
export const fitToTolerance = onCurves({
  name: 'fitToTolerance',
  aim: 'cost',
  sources: oneCurve,
  arguments: { degree, tolerance: number({ unit: 'length', least: 1e-6, most: 1e4 }) },
  shape: 'near',
  asks: ['degree', 'tolerance'],
  first: (curve) => ({ degree: curve.degree, tolerance: 0.5 }),
  run: (source, args) => {
    const { curve, deviation } = mathematics().fitCurveToTolerance(source, args.degree, args.tolerance);
    return { curve, deviation };
  },
  calculation: async (source, { degree, tolerance }) => {
    const { curve, deviation } = mathematics().fitCurveToTolerance(source, degree, tolerance);
    return (await import('../calculation/approximation.js')).approximation(curve, deviation);
  },
});
