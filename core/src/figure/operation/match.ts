import { reverseCurve } from '../../curve/reparametrise.js';
import { choice, optional, signs } from '../../describe/describe.js';
import { onCurves, twoCurves } from './define.js';
import { mathematics } from './later.js';

/** The curve with its end moved so that it continues another. */
export const match = onCurves({
  name: 'match',
  aim: 'together',
  sources: twoCurves,
  arguments: {
    continuity: signs('G0', 'G1', 'G2', 'G3', 'C1', 'C2'),
    curveEnd: choice('start', 'end'),
    targetEnd: choice('start', 'end'),
    /** The handle keeps its length where absent. */
    movement: optional(choice('sameHandle', 'least')),
  },
  shape: 'another',
  asks: ['continuity', 'curveEnd', 'targetEnd', 'movement'],
  counts: ({ continuity }) =>
    continuity === 'G0' || continuity.startsWith('C')
      ? ['continuity', 'curveEnd', 'targetEnd']
      : ['continuity', 'curveEnd', 'targetEnd', 'movement'],
  first: () => ({ continuity: 'G1', curveEnd: 'start', targetEnd: 'end', movement: 'sameHandle' }) as const,
  run: (source, { continuity, curveEnd, targetEnd, movement }, target) => {
    const { curve, largestMove } = mathematics().matchCurve(
      source,
      target,
      continuity,
      curveEnd,
      targetEnd,
      movement,
    );
    return {
      curve,
      deviation: mathematics().largestDeviation(source, curve),
      measure: { kind: 'largestMove', value: largestMove },
    };
  },
  calculation: async (source, { continuity, curveEnd, targetEnd, movement }, target) => {
    const { curve } = mathematics().matchCurve(source, target, continuity, curveEnd, targetEnd, movement);
    return (await import('../calculation/joint.js')).jointCalculation(
      targetEnd === 'end' ? target : reverseCurve(target),
      curveEnd === 'start' ? curve : reverseCurve(curve),
    );
  },
});
