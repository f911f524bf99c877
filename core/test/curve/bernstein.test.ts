import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  differentiateBernstein,
  evaluateBernstein,
  multiplyBernstein,
  rootsOfBernstein,
} from '../../src/curve/bernstein.js';
import { blossom } from '../../src/curve/blossom.js';
import type { Curve, Point } from '../../src/curve/curve.js';
import { decompose } from '../../src/curve/decompose.js';
import { pointAt } from '../../src/curve/evaluate.js';
import { clampedUniformKnots, spansOf } from '../../src/curve/knotVector.js';
import { arbitraryCurve, sizeOf } from './arbitrary.js';
import { expectClose, referenceCases } from './reference.js';
import { holds } from '../holds.js';

const coefficients = (length: number): fc.Arbitrary<number[]> =>
  fc.array(fc.double({ min: -10, max: 10, noNaN: true }), { minLength: 1, maxLength: length });

/** The product of (t − root) over the roots, as Bernstein coefficients. */
const withRoots = (roots: readonly number[]): number[] =>
  roots.reduce<number[]>((product, root) => multiplyBernstein(product, [-root, 1 - root]), [1]);

describe('Bernstein polynomials', () => {
  it('multiply as their values do', () => {
    holds(
      fc.property(coefficients(9), coefficients(9), fc.double({ min: 0, max: 1, noNaN: true }), (a, b, t) => {
        const product = evaluateBernstein(multiplyBernstein(a, b), t);
        expect(product).toBeCloseTo(evaluateBernstein(a, t) * evaluateBernstein(b, t), 10);
      }),
    );
  });

  it('have the derivative that difference quotients show', () => {
    const a = [1, -3, 2, 7];
    const h = 1e-6;
    const quotient = (evaluateBernstein(a, 0.3 + h) - evaluateBernstein(a, 0.3 - h)) / (2 * h);
    expect(evaluateBernstein(differentiateBernstein(a), 0.3)).toBeCloseTo(quotient, 7);
    expect(differentiateBernstein([4])).toEqual([0]);
  });

  it('have all their roots found', () => {
    const places = fc.uniqueArray(fc.integer({ min: 1, max: 49 }), { minLength: 1, maxLength: 6 });
    holds(
      fc.property(places, (numbers) => {
        const expected = numbers.map((n) => n / 50).sort((a, b) => a - b);
        const roots = rootsOfBernstein(withRoots(expected));
        expect(roots).toHaveLength(expected.length);
        roots.forEach((root, index) => expect(root).toBeCloseTo(expected[index]!, 7));
      }),
    );
  });

  it.each([
    ['at both ends', [0, 0.5, 1], [0, 0.5, 1]],
    ['outside only', [-0.5, 1.5], []],
    ['double', [0.3, 0.3], [0.3]],
    ['touching at an end', [0, 0, 0.25], [0, 0.25]],
  ])('have roots %s', (_, given, expected) => {
    const polynomial = withRoots(given);
    const roots = rootsOfBernstein(polynomial, 1e-16);
    for (const root of expected)
      expect(Math.min(...roots.map((found) => Math.abs(found - root)))).toBeLessThan(1e-7);
    for (const found of roots) expect(Math.abs(evaluateBernstein(polynomial, found))).toBeLessThan(1e-14);
    if (expected.length === 0) expect(roots).toEqual([]);
  });

  it('that vanish everywhere have none', () => {
    expect(rootsOfBernstein([0, 0, 0])).toEqual([]);
  });
});

interface DecomposeCase {
  curve: Curve;
  pieces: { domain: [number, number]; points: Point[]; weights: number[] }[];
}

describe('decomposition', () => {
  it.each(referenceCases<DecomposeCase>('decompose').map((entry, index) => [index, entry] as const))(
    'reference case %i',
    (_, { curve, pieces }) => {
      const found = decompose(curve);
      expect(found).toHaveLength(pieces.length);
      found.forEach((piece, index) => {
        const expected = pieces[index]!;
        expect([piece.knots[0], piece.knots.at(-1)]).toEqual(expected.domain);
        expectClose(piece.weights!, expected.weights, 1e-12);
        piece.points.forEach((point, k) => expectClose(point, expected.points[k]!, 1e-12, sizeOf(curve)));
      });
    },
  );

  it('keeps the curve', () => {
    holds(
      fc.property(arbitraryCurve(), fc.double({ min: 0, max: 1, noNaN: true }), (curve, t) => {
        for (const piece of decompose(curve)) {
          const u = piece.knots[0]! + t * (piece.knots.at(-1)! - piece.knots[0]!);
          expectClose(pointAt(piece, u), pointAt(curve, u), 1e-12, sizeOf(curve));
        }
      }),
    );
  });
});

describe('the blossom', () => {
  it('is symmetric in its arguments, and the control points at consecutive knots', () => {
    holds(
      fc.property(
        fc.integer({ min: 1, max: 9 }),
        fc.infiniteStream(fc.integer({ min: -50, max: 50 })),
        (degree, values) => {
          const points = Array.from({ length: 2 * degree + 2 }, () => [
            values.next().value,
            values.next().value,
          ]);
          const knots = clampedUniformKnots(points.length, degree);
          const curve: Curve = { degree, knots, points };
          for (const { index: span } of spansOf(knots, degree)) {
            for (let index = span - degree; index <= span; index++) {
              const labels = knots.slice(index + 1, index + degree + 1);
              expectClose(blossom(curve, span, labels), points[index]!, 1e-9, sizeOf(curve));
              expectClose(blossom(curve, span, labels.reverse()), points[index]!, 1e-9, sizeOf(curve));
            }
          }
        },
      ),
    );
  });
});
