import { choice } from '../../describe/describe.js';
import { facts } from '../../figure/fact/facts.js';
import { defineCondition, holds, notThere } from './define.js';

/** The curve lies on one conic of a kind; a circle is an ellipse too. */
export const conicIs = defineCondition(
  'conicIs',
  { conic: choice('line', 'circle', 'ellipse', 'parabola', 'hyperbola') },
  'holds',
  ({ conic }, { curve, item }) => {
    const fact = facts.conic(curve, item);
    if (fact?.kind !== 'word') return notThere;
    return holds(fact.word === conic || (conic === 'ellipse' && fact.word === 'circle'));
  },
  () => ({ conic: 'ellipse' }) as const,
);
