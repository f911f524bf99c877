import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arcLengthTable } from '../../src/curve/arcLength.js';
import type { Curve } from '../../src/curve/curve.js';
import { largestDeviation } from '../../src/curve/deviation.js';
import { elevateDegree } from '../../src/curve/elevateDegree.js';
import { CurveError } from '../../src/curve/error.js';
import { derivativesAt, pointAt } from '../../src/curve/evaluate.js';
import { evenOut, unevennessOf } from '../../src/curve/evenOut.js';
import { largestDistance, largestDistanceFrom } from '../../src/curve/hausdorff.js';
import { clampedUniformKnots, domainOf, interiorKnots, spansOf } from '../../src/curve/knotVector.js';
import { nearestFinder } from '../../src/curve/nearest.js';
import { refitCurve } from '../../src/curve/refit.js';
import { removeKnot } from '../../src/curve/removeKnot.js';
import { reparametriseMobius } from '../../src/curve/reparametrise.js';
import { arbitraryCurve, sizeOf } from './arbitrary.js';
import { holds } from '../holds.js';

/**
 * Places for brute force in every span: even ones, and ones that crowd towards both ends, where a curve with strongly
 * uneven weights runs through most of its span.
 */
function manyPlaces(curve: Curve, even: number, crowded: number): number[] {
  return spansOf(curve.knots, curve.degree).flatMap(({ start, end }) => {
    const shares = [
      ...Array.from({ length: even + 1 }, (_, k) => k / even),
      ...Array.from({ length: crowded }, (_, k) => 1 / (1 + 10 ** (8 - (16 * k) / crowded))),
    ];
    return shares.map((share) => Math.min(end, start + share * (end - start)));
  });
}

const largestOf = (values: readonly number[]): number => values.reduce((a, b) => Math.max(a, b), 0);

/** What is told may be no smaller than the true one, which brute force comes near from below, and not much larger. */
function expectPromise(told: number, found: number, size: number, room = 1e-3): void {
  expect(told).toBeGreaterThanOrEqual(found - 1e-13 * size);
  expect(told).toBeLessThanOrEqual(found * (1 + room) + 1e-12 * size);
}

const uneven: Curve = {
  degree: 3,
  knots: [0, 0, 0, 0, 1, 1, 1, 1],
  points: [
    [4, 4],
    [0, 1],
    [8, 9],
    [1, 3],
  ],
  weights: [0.001, 0.1, 1, 10],
};

describe('a deviation that is told', () => {
  it('holds on the smallest case of strongly uneven weights', () => {
    expect(refitCurve(uneven, 3, 1).deviation.distance).toBeGreaterThan(3.09);
  });

  it('is no smaller than what brute force finds, with weights from 1e-3 to 1e3', () => {
    holds(
      fc.property(
        arbitraryCurve({ dimension: 2, periodic: false }),
        arbitraryCurve({ dimension: 2, periodic: false }),
        (first, second) => {
          const [start, end] = domainOf(first.knots, first.degree);
          const [from, to] = domainOf(second.knots, second.degree);
          const there = (u: number): number =>
            Math.min(to, Math.max(from, from + ((u - start) * (to - from)) / (end - start)));
          const back = (v: number): number =>
            Math.min(end, Math.max(start, start + ((v - from) * (end - start)) / (to - from)));
          const told = largestDeviation(first, second);
          const places = [...manyPlaces(first, 200, 200), ...manyPlaces(second, 200, 200).map(back)];
          const found = places.map((u) => {
            const [a, b] = [pointAt(first, u), pointAt(second, there(u))];
            return Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!);
          });
          // A parameter that was mapped is off by its rounding, and a gap jumps there.
          const size = Math.max(sizeOf(first), sizeOf(second));
          expect(told.distance).toBeGreaterThanOrEqual(largestOf(found) - 1e-10 * size);
          const [a, b] = [pointAt(first, told.parameter), pointAt(second, there(told.parameter))];
          expect(told.distance).toBeGreaterThanOrEqual(Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!));
        },
      ),
    );
  });

  it('of a refit and of a removed knot is not much larger than the true one either', () => {
    holds(
      fc.property(arbitraryCurve({ dimension: 2 }), fc.integer({ min: 2, max: 6 }), (curve, spanCount) => {
        const made = [refitCurve(curve, 3, spanCount)];
        const [knot] = interiorKnots(curve.knots, curve.degree);
        try {
          if (knot) made.push(removeKnot(curve, knot.value));
        } catch (error) {
          expect(error).toBeInstanceOf(CurveError);
        }
        for (const { curve: other, deviation } of made) {
          const found = [...manyPlaces(curve, 300, 300), ...manyPlaces(other, 300, 0)].map((u) => {
            const sides = (['left', 'right'] as const).map((side) => {
              const [a] = derivativesAt(curve, u, 0, side);
              const [b] = derivativesAt(other, u, 0, side);
              return Math.hypot(a![0]! - b![0]!, a![1]! - b![1]!);
            });
            return Math.max(...sides);
          });
          const size = Math.max(sizeOf(curve), sizeOf(other));
          expect(deviation.distance).toBeGreaterThanOrEqual(largestOf(found) - 1e-12 * size);
          expect(deviation.distance).toBeLessThanOrEqual(largestOf(found) * 1.02 + 1e-11 * size);
        }
      }),
      { numRuns: 50 },
    );
  });
});

describe('the largest distance of two curves', () => {
  it('is no smaller than what brute force finds', () => {
    holds(
      fc.property(
        arbitraryCurve({ dimension: 2, periodic: false }),
        arbitraryCurve({ dimension: 2, periodic: false }),
        (first, second) => {
          const size = Math.max(sizeOf(first), sizeOf(second));
          const farthest = (curve: Curve, other: Curve): number => {
            const find = nearestFinder(other);
            return largestOf(manyPlaces(curve, 30, 40).map((u) => find(pointAt(curve, u)).distance));
          };
          const one = farthest(first, second);
          const two = farthest(second, first);
          const told = largestDistance(first, second);
          expect(told.distance).toBeGreaterThanOrEqual(Math.max(one, two) - 1e-10 * size);
          expect(largestDistanceFrom(first, second).distance).toBeGreaterThanOrEqual(one - 1e-10 * size);
          // The points that are told lie nearly as far apart.
          const [a, b] = [told.onFirst, told.onSecond];
          const apart = Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!);
          expectPromise(told.distance, apart, size, 2e-3);
        },
      ),
      { numRuns: 50 },
    );
  });
});

describe('the same shape', () => {
  it('is next to no distance from itself, whatever its parameter, knots and degree', () => {
    holds(
      fc.property(
        arbitraryCurve({ clampedOnly: true, rational: false }),
        fc.double({ min: 0.2, max: 5, noNaN: true }),
        (curve, factor) => {
          const again = reparametriseMobius(curve, factor);
          const size = sizeOf(curve);
          const { distance, atLeast } = largestDistance(curve, again);
          expect(atLeast).toBeLessThan(1e-8 * size);
          expect(distance).toBeLessThan(0.1 * size);
          if (curve.degree < 9)
            expect(largestDistance(curve, elevateDegree(curve)).distance).toBeLessThan(1e-11 * size);
        },
      ),
      { numRuns: 15, endOnFailure: true },
    );
  });
});

describe('evening out', () => {
  const plain = arbitraryCurve({ dimension: 2, minimumDegree: 2, periodic: false });

  it('tells at least its true deviation and unevenness', () => {
    const cubic: Curve = {
      degree: 3,
      knots: clampedUniformKnots(4, 3),
      points: [
        [0, 0],
        [0, 10],
        [10, 10],
        [10, 0],
      ],
    };
    expect(evenOut(cubic).deviation.distance).toBeGreaterThan(0.6215);
    holds(
      fc.property(plain, (curve) => {
        let evened: ReturnType<typeof evenOut>;
        try {
          evened = evenOut(curve);
        } catch (error) {
          expect(error).toBeInstanceOf(CurveError);
          return;
        }
        const table = arcLengthTable(curve);
        const [start, end] = domainOf(curve.knots, curve.degree);
        const mean = table.length / (end - start);
        const found = manyPlaces(evened.curve, 400, 0).map((v) => {
          const u = table.parameterAt(Math.min(table.length, Math.max(0, (v - start) * mean)));
          const [a, b] = [pointAt(curve, u), pointAt(evened.curve, v)];
          return Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!);
        });
        expect(evened.deviation.distance).toBeGreaterThanOrEqual(largestOf(found) - 1e-12 * sizeOf(curve));
        expect(evened.deviation.distance).toBeLessThan(largestOf(found) * 1.25 + 1e-7 * sizeOf(curve));
        const own = arcLengthTable(evened.curve).length / (end - start);
        const speeds = manyPlaces(evened.curve, 200, 0).flatMap((v) =>
          (['left', 'right'] as const).map((side) =>
            Math.abs(Math.hypot(...derivativesAt(evened.curve, v, 1, side)[1]!) / own - 1),
          ),
        );
        expect(evened.unevenness).toBeGreaterThanOrEqual(largestOf(speeds) * (1 - 1e-9) - 1e-12);
        expect(unevennessOf(evened.curve)).toBeLessThanOrEqual(largestOf(speeds) * 1.25 + 1e-9);
      }),
      { numRuns: 19, endOnFailure: true },
    );
  });
});
