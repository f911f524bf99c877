import { flag, itemId, number, signs, tagged, type ValueOf } from '../../describe/describe.js';
import { jointContinuities } from '../../curve/match.js';
import { interiorKnots } from '../../curve/knotVector.js';
import { curveOf } from '../../figure/evaluation/evaluate.js';
import { holds } from '../condition/define.js';
import { judgeCondition } from '../condition/judge.js';
import { onBoth, type GuessMember } from './define.js';

const description = tagged('of', 'joint', {
  item: itemId,
  /** The value of the knot. */
  parameter: number({ unit: 'parameter' }),
  continuity: signs(...jointContinuities),
});
const guess = tagged('of', 'joint', { holds: flag });

/** Whether the curve will have a continuity at a knot. */
export const joint: GuessMember<ValueOf<typeof description>, ValueOf<typeof guess>> = {
  description,
  guess,
  truth: ({ item, parameter, continuity }, { before, after }) => {
    if (!curveOf(after.evaluation, item)) return undefined;
    const { met } = judgeCondition(
      { kind: 'continuityAtKnot', item, parameter, continuity },
      [before.document, () => before.evaluation],
      [after.document, after.evaluation],
    );
    return { of: 'joint', holds: met };
  },
  compare: (_, guessed, truth) => holds(guessed.holds === truth.holds),
  offers: (item, step) =>
    onBoth(item, step, (before) =>
      interiorKnots(before.knots, before.degree).map(
        ({ value }) => ({ of: 'joint', item, parameter: value, continuity: 'C1' }) as const,
      ),
    ) ?? [],
};
