import { rootsOfBernstein } from './bernstein.js';
import type { Curve } from './curve.js';
import { decompose } from './decompose.js';
import { domainOf } from './knotVector.js';

/**
 * The parameters at which the denominator of a rational curve vanishes, so that the curve passes through
 * infinity. Positive weights have none; a figure may allow weights of zero and below.
 * @param curve with any finite weights, unlike in all other functions
 */
export function findPoles(curve: Curve): number[] {
  if (!curve.weights || curve.weights.every((weight) => weight > 0)) return [];
  // As a polynomial curve whose only coordinates are the weights.
  const denominators = decompose({
    degree: curve.degree,
    knots: curve.knots,
    points: curve.weights.map((weight) => [weight, 0]),
  });
  const poles: number[] = [];
  for (const piece of denominators) {
    const [start, end] = domainOf(piece.knots, piece.degree);
    for (const t of rootsOfBernstein(piece.points.map(([weight]) => weight!))) {
      const pole = start + t * (end - start);
      if (poles.length === 0 || pole > poles.at(-1)!) poles.push(pole);
    }
  }
  return poles;
}
