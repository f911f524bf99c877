import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { enclosedArea } from '../../src/curve/area.js';
import type { Curve } from '../../src/curve/curve.js';
import { derivativesAtMany } from '../../src/curve/evaluateMany.js';
import { clampedUniformKnots } from '../../src/curve/knotVector.js';
import { gaussRule } from '../../src/curve/length.js';
import { spanPolynomials } from '../../src/curve/spanPolynomials.js';
import { holds } from '../holds.js';

/**
 * ½ ∮ (x y′ − y x′) du by many equal pieces of the Gauss rule, about the curve's start: no adaptation that could stop too
 * early.
 */
function bruteArea(curve: Curve, pieces: number): number {
  const polynomials = spanPolynomials(curve, 1);
  const [x0, y0] = curve.points[0]! as [number, number];
  let total = 0;
  for (const { start, end } of polynomials.spans) {
    for (let piece = 0; piece < pieces; piece++) {
      const at = (k: number): number => start + ((end - start) * k) / pieces;
      const { places, weights } = gaussRule(at(piece), at(piece + 1));
      const values = derivativesAtMany(polynomials, places, 1);
      for (let k = 0; k < 16; k++) {
        const [x, y, dx, dy] = [0, 1, 2, 3].map((c) => values[4 * k + c]!) as [
          number,
          number,
          number,
          number,
        ];
        total += (weights[k]! * ((x - x0) * dy - (y - y0) * dx)) / 2;
      }
    }
  }
  return total;
}

const rational = (points: readonly (readonly number[])[], weights: readonly number[], degree = 3): Curve => ({
  degree,
  knots: clampedUniformKnots(points.length, degree),
  points,
  weights,
});

describe('the area that a rational curve encloses', () => {
  it.each([
    [
      rational(
        [
          [7, 7],
          [9, 1],
          [5, 3],
          [10, 8],
          [2, 10],
          [10, 10],
        ],
        [0.1, 10, 1, 10, 10, 0.1],
      ),
      0.6756376574648,
    ],
    [
      rational(
        [
          [7, 7],
          [9, 1],
          [5, 3],
          [10, 8],
          [2, 10],
          [10, 10],
        ],
        [0.2, 5, 1, 5, 5, 0.2],
      ),
      -1.9039654945,
    ],
  ])('of uneven weights is right to rounding', (curve, known) => {
    expect(Math.abs(enclosedArea(curve) - bruteArea(curve, 400))).toBeLessThan(1e-10);
    expect(Math.abs(enclosedArea(curve))).toBeCloseTo(Math.abs(known), 9);
  });

  it('is what brute force finds, on random curves with weights from 1e-3 to 1e3', () => {
    const point = fc.tuple(fc.integer({ min: 0, max: 10 }), fc.integer({ min: 0, max: 10 }));
    holds(
      fc.property(
        fc.integer({ min: 2, max: 5 }),
        fc.array(fc.tuple(point, fc.double({ min: -3, max: 3, noNaN: true })), {
          minLength: 6,
          maxLength: 9,
        }),
        (degree, rows) => {
          const curve = rational(
            rows.map(([at]) => at),
            rows.map(([, power]) => 10 ** power),
            degree,
          );
          expect(Math.abs(enclosedArea(curve) - bruteArea(curve, 2000))).toBeLessThan(1e-9 * 100);
        },
      ),
      { numRuns: 60 },
    );
  });
});
