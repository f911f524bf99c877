import { dimensionOf } from '../../curve/curve.js';
import { distinctPointCount } from '../../curve/periodic.js';
import type { FactMember } from './define.js';

/** What the curve costs: how many numbers have to be stored for it. */
export const storedNumbers: FactMember = (curve) => ({
  kind: 'whole',
  value: distinctPointCount(curve) * (dimensionOf(curve) + (curve.weights ? 1 : 0)) + curve.knots.length,
});
