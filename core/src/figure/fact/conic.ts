import { classifyConic } from '../../curve/classifyConic.js';
import { decompose } from '../../curve/decompose.js';
import { CurveError } from '../../curve/error.js';
import { conicCalculation } from '../calculation/ofFacts.js';
import { unfolding, type FactMember } from './define.js';

/** Which conic a curve of degree 2 is, where all its pieces lie on conics of one kind. */
export const conic: FactMember = unfolding((curve) => {
  if (curve.degree !== 2) return undefined;
  try {
    const kinds = new Set(decompose(curve).map((piece) => classifyConic(piece).kind));
    const [kind] = kinds;
    return kind === undefined ? undefined : { kind: 'word', word: kinds.size === 1 ? kind : 'several' };
  } catch (error) {
    if (error instanceof CurveError) return undefined;
    throw error;
  }
}, conicCalculation);
