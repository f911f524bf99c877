import { hasSignedWeights, piecesBetweenPoles } from '../../curve/betweenPoles.js';
import { classifyConic, distanceFromConic, type ConicClass } from '../../curve/classifyConic.js';
import type { Curve } from '../../curve/curve.js';
import { decompose } from '../../curve/decompose.js';
import { CurveError } from '../../curve/error.js';
import { pointAt } from '../../curve/evaluate.js';
import { domainOf } from '../../curve/knotVector.js';
import { conicCalculation } from '../calculation/ofFacts.js';
import { unfolding, type FactMember, type FactWord } from './define.js';

/** Which conic a curve of degree 2 is: one on which all its pieces lie, several of one kind, or of several kinds. */
export const conic: FactMember = unfolding((curve) => {
  if (curve.degree !== 2) return undefined;
  try {
    const pieces = hasSignedWeights(curve) ? piecesBetweenPoles(curve) : decompose(curve);
    return {
      kind: 'word',
      word: wordFor(
        pieces,
        pieces.map((piece) => classifyConic(piece)),
      ),
    };
  } catch (error) {
    if (error instanceof CurveError) return undefined;
    throw error;
  }
}, conicCalculation);

function wordFor(pieces: readonly Curve[], conics: readonly ConicClass[]): FactWord {
  const [first] = conics;
  if (conics.some(({ kind }) => kind !== first!.kind)) return 'several';
  const size = Math.max(...pieces.flatMap(({ points }) => points.flat()).map(Math.abs));
  const isOne = pieces.every((piece) => {
    const [start, end] = domainOf(piece.knots, piece.degree);
    return [0, 0.25, 0.5, 0.75, 1].every(
      (t) => distanceFromConic(first!, pointAt(piece, start + t * (end - start))) <= 1e-9 * size,
    );
  });
  return isOne ? first!.kind : `${first!.kind}s`;
}
