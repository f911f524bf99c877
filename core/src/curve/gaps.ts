import type { Curve } from './curve.js';
import { interiorKnots } from './knotVector.js';

/**
 * A clamped curve taken apart at its gaps, the knots of multiplicity p + 1: clamped curves that follow one another in
 * the parameter and need not meet.
 * @returns the curve alone where it has no gap
 */
function partsBetweenGaps(curve: Curve): Curve[] {
  const { degree, knots, points, weights, ...rest } = curve;
  const gaps = interiorKnots(knots, degree).filter(({ multiplicity }) => multiplicity > degree);
  if (gaps.length === 0) return [curve];
  const starts = [0, ...gaps.map(({ first }) => first)];
  return starts.map((first, part) => {
    // The knots of the next gap belong to both sides.
    const next = gaps[part]?.first ?? points.length;
    return {
      ...rest,
      degree,
      knots: knots.slice(first, next + degree + 1),
      points: points.slice(first, next),
      ...(weights && { weights: weights.slice(first, next) }),
    };
  });
}

/**
 * One curve of clamped ones of the same degree, each beginning at the parameter where the one before ends, with a gap
 * between them.
 */
export function joinedByGaps(parts: readonly Curve[]): Curve {
  if (parts.length === 1) return parts[0]!;
  const { degree, weights } = parts[0]!;
  return {
    ...parts[0]!,
    knots: parts.flatMap(({ knots }, part) => (part === 0 ? knots : knots.slice(degree + 1))),
    points: parts.flatMap(({ points }) => points),
    ...(weights && { weights: parts.flatMap((part) => part.weights!) }),
  };
}

/** The curve that a change of each of its parts between gaps makes of a clamped curve. */
export function betweenGaps(curve: Curve, change: (part: Curve) => Curve): Curve {
  return joinedByGaps(partsBetweenGaps(curve).map(change));
}
