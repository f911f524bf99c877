import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Curve } from '../../src/curve/curve.js';
import { insertKnot } from '../../src/curve/insertKnot.js';
import { insertedPoints } from '../../src/curve/insertedPoints.js';
import { distinctKnots, domainOf } from '../../src/curve/knotVector.js';
import { distinctPointCount } from '../../src/curve/periodic.js';
import { arbitraryCurveAndParameter, sizeOf } from './arbitrary.js';
import { expectClose } from './reference.js';
import { holds } from '../holds.js';

/** The multiplicity that a parameter has as a knot. */
function multiplicityAt({ knots, degree }: Curve, u: number): number {
  return distinctKnots(knots, degree).find(({ value }) => value === u)?.multiplicity ?? 0;
}

describe('the points that knot insertion makes', () => {
  it('are those of the refined curve, each on the leg of its parents', () => {
    holds(
      fc.property(arbitraryCurveAndParameter(), ({ curve, u }) => {
        const [start, end] = domainOf(curve.knots, curve.degree);
        const knots = distinctKnots(curve.knots, curve.degree);
        // Beside a knot the insertion takes the knot itself.
        if (knots.some(({ value }) => value !== u && Math.abs(value - u) < 1e-9 * (end - start))) return;
        const multiplicity = multiplicityAt(curve, u);
        if (multiplicity >= curve.degree) {
          expect(insertedPoints(curve, u)).toEqual([]);
          return;
        }
        const inserted = insertedPoints(curve, u);
        if (curve.periodic && distinctPointCount(curve) <= curve.degree) {
          expect(inserted).toEqual([]);
          return;
        }
        expect(inserted).toHaveLength(curve.degree - multiplicity);
        const refined = insertKnot(curve, u);
        const weights = curve.weights ?? [1];
        // Beside a light point rounding counts as many times as its neighbour is heavier.
        const size = (sizeOf(curve) * Math.max(...weights)) / Math.min(...weights);
        for (const { at, parents, ratio, alpha } of inserted) {
          expect(ratio).toBeGreaterThanOrEqual(0);
          expect(ratio).toBeLessThanOrEqual(1);
          if (!curve.weights) expect(ratio).toBe(alpha);
          expectClose(
            at,
            parents[0].map((value, axis) => value + ratio * (parents[1][axis]! - value)),
            1e-10,
            size,
          );
          const nearest = Math.min(
            ...refined.points.map((point) => Math.hypot(...point.map((value, axis) => value - at[axis]!))),
          );
          expect(nearest).toBeLessThanOrEqual(1e-9 * size);
        }
      }),
    );
  });

  it('of a cubic in the middle of its only span lie on all three legs, halfway', () => {
    const curve: Curve = {
      degree: 3,
      knots: [0, 0, 0, 0, 1, 1, 1, 1],
      points: [
        [0, 0],
        [0, 4],
        [8, 4],
        [8, 0],
      ],
    };
    expect(insertedPoints(curve, 0.5).map(({ at, ratio }) => [at, ratio])).toEqual([
      [[0, 2], 0.5],
      [[4, 4], 0.5],
      [[8, 2], 0.5],
    ]);
    const weighted = { ...curve, weights: [1, 3, 1, 1] };
    expect(insertedPoints(weighted, 0.5)[0]).toMatchObject({ alpha: 0.5, ratio: 0.75, at: [0, 3] });
  });
});
