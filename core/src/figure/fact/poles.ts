import { hasSignedWeights, polesOf } from '../../curve/betweenPoles.js';
import type { FactMember } from './define.js';

/** The parameters at which a curve with a weight of zero or below runs to infinity, or that there are none. */
export const poles: FactMember = (curve) => {
  if (!hasSignedWeights(curve)) return undefined;
  const values = polesOf(curve).map(({ parameter }) => parameter);
  return values.length > 0 ? { kind: 'list', values } : { kind: 'word', word: 'noPoles' };
};
