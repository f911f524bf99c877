import { unevennessOf } from '../../curve/evenOut.js';
import { number } from '../../describe/describe.js';
import { atMost, defineCondition } from './define.js';

/** The parameter follows the arc length: the speed differs from its mean by at most a share of it. */
export const parameterEven = defineCondition(
  'parameterEven',
  { share: number({ unit: 'ratio', least: 0, most: 10 }) },
  'number',
  ({ share }, { curve }) => {
    return atMost(unevennessOf(curve), share);
  },
  () => ({ share: 0.05 }),
);
