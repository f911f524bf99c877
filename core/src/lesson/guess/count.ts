import { choice, itemId, tagged, whole, type ValueOf } from '../../describe/describe.js';
import { itemOf } from '../../figure/document/document.js';
import { facts } from '../../figure/fact/facts.js';
import { near } from '../condition/define.js';
import { onBoth, type GuessMember, type StepSide } from './define.js';

/** What can be counted of a curve. */
const counted = ['points', 'knots', 'spans', 'degree', 'storedNumbers', 'combPeaks'] as const;

const description = tagged('of', 'count', { item: itemId, count: choice(...counted) });
const guess = tagged('of', 'count', { value: whole(0, 1_000_000) });
type Question = ValueOf<typeof description>;

/** How many control points, knots, spans or the like there will be. */
export const count: GuessMember<Question, ValueOf<typeof guess>> = {
  description,
  guess,
  truth: (question, step) => {
    const value = onBoth(question.item, step, (_, after) => countOf(question, step.after, after));
    return value === undefined ? undefined : { of: 'count', value };
  },
  compare: (_, { value }, truth) => near(value, truth.value, 0),
  // What changes is offered first; that something stays can be asked too.
  offers: (item, step) => {
    const offered = counted.flatMap((what) => {
      const question: Question = { of: 'count', item, count: what };
      const counts = onBoth(item, step, (before, after) => [
        countOf(question, step.before, before),
        countOf(question, step.after, after),
      ]);
      return counts?.every((count) => count !== undefined)
        ? [{ question, changes: counts[0] !== counts[1] }]
        : [];
    });
    return offered.toSorted((a, b) => Number(b.changes) - Number(a.changes)).map(({ question }) => question);
  },
};

type CurveOfFacts = Parameters<(typeof facts)['points']>[0];

function countOf(
  { item, count: what }: Question,
  { document }: StepSide,
  curve: CurveOfFacts,
): number | undefined {
  if (what === 'knots') return curve.knots.length;
  const value = facts[what](curve, itemOf(document, item));
  return value?.kind === 'whole' ? value.value : undefined;
}
