import { bestCircle, circleError } from '../../curve/circleError.js';
import { number } from '../../describe/describe.js';
import { atMost, defineCondition } from './define.js';

/** The curve lies on a circle, within a share of its radius. */
export const roundWithin = defineCondition(
  'roundWithin',
  { share: number({ unit: 'ratio', least: 0, most: 1 }) },
  'share',
  ({ share }, { curve }) => {
    const { centre, radius } = bestCircle(curve);
    return atMost(Math.abs(circleError(curve, centre, radius).largest) / radius, share);
  },
  () => ({ share: 1e-12 }),
);
