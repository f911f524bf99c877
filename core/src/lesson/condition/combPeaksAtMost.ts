import { whole } from '../../describe/describe.js';
import { combPeaks } from '../../figure/fact/combPeaks.js';
import { atMost, defineCondition, notThere } from './define.js';

/** The curvature comb has at most so many peaks. */
export const combPeaksAtMost = defineCondition(
  'combPeaksAtMost',
  { atMost: whole(0, 2000) },
  'count',
  (condition, { curve, item }) => {
    const fact = combPeaks(curve, item);
    return fact?.kind === 'whole' ? atMost(fact.value, condition.atMost) : notThere;
  },
  () => ({ atMost: 1 }),
);
