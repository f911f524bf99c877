import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Curve, Point } from '../../src/curve/curve.js';
import { selfIntersections, intersectCurves } from '../../src/curve/intersect.js';
import { clampedUniformKnots } from '../../src/curve/knotVector.js';
import { validateCurve } from '../../src/curve/validate.js';
import { holds } from '../holds.js';

/** The sign of the turn from a to b to c, exact for whole numbers of this size. */
const turn = (a: Point, b: Point, c: Point): number =>
  Math.sign((b[0]! - a[0]!) * (c[1]! - a[1]!) - (b[1]! - a[1]!) * (c[0]! - a[0]!));

/** How often the legs of two polygons cross in their insides; nothing where three corners lie on one line. */
function crossingsOf(first: readonly Point[], second: readonly Point[], self: boolean): number | undefined {
  let count = 0;
  for (let i = 1; i < first.length; i++) {
    for (let j = self ? i + 2 : 1; j < second.length; j++) {
      const [a, b, c, d] = [first[i - 1]!, first[i]!, second[j - 1]!, second[j]!];
      const turns = [turn(a, b, c), turn(a, b, d), turn(c, d, a), turn(c, d, b)];
      if (turns.includes(0)) return undefined;
      if (turns[0] !== turns[1] && turns[2] !== turns[3]) count++;
    }
  }
  return count;
}

const corner = fc.tuple(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 60 }));
const weight = fc.double({ min: -3, max: 3, noNaN: true }).map((exponent) => 10 ** exponent);
const polygon = fc
  .array(fc.record({ corner, weight }), { minLength: 2, maxLength: 9 })
  .map((entries): Curve => ({
    degree: 1,
    knots: clampedUniformKnots(entries.length, 1),
    points: entries.map((entry) => entry.corner),
    weights: entries.map((entry) => entry.weight),
  }));

describe('crossings of degree 1 with weights', () => {
  it('of the zigzag is one', () => {
    const zigzag: Curve = {
      degree: 1,
      knots: [0, 0, 1, 2, 3, 3],
      points: [
        [0, 0],
        [10, 10],
        [10, 0],
        [0, 10],
      ],
      weights: [5, 1, 1, 5],
    };
    const { places, overlapping } = selfIntersections(zigzag);
    expect(places).toHaveLength(1);
    expect(places[0]!.point[0]).toBeCloseTo(5, 9);
    expect(overlapping).toBe(false);
  });

  it('at a very small angle are found, and are no overlap', () => {
    const blade: Curve = {
      degree: 1,
      knots: [0, 0, 1, 2, 3, 4, 4],
      points: [
        [1, 3],
        [57, 57],
        [55, 55],
        [3, 5],
        [0, 3],
      ],
    };
    for (const weights of [undefined, [1, 1, 1, 1, 1], [1, 2, 1, 3, 1]]) {
      const { places, overlapping } = selfIntersections({ ...blade, ...(weights && { weights }) });
      expect(places.map(({ point }) => point.map((value) => value.toFixed(9)))).toEqual([
        ['29.000000000', '30.000000000'],
      ]);
      expect(overlapping).toBe(false);
    }
  });

  it('are as many as whole numbers tell, of a polygon with itself and of two', () => {
    holds(
      fc.property(polygon, polygon, (first, second) => {
        const own = crossingsOf(first.points, first.points, true);
        const degenerate = first.points.some(
          (p, k) => k > 1 && turn(first.points[k - 2]!, first.points[k - 1]!, p) === 0,
        );
        if (own !== undefined && !degenerate) expect(selfIntersections(first).places).toHaveLength(own);
        const both = crossingsOf(first.points, second.points, false);
        if (both !== undefined) expect(intersectCurves(first, second).places).toHaveLength(both);
      }),
    );
  });
});

describe('points on one place', () => {
  it.each([5, 6, 7])(
    '%s of them give crossings that are there, or the word that they run along each other',
    (stacked) => {
      holds(
        fc.property(
          fc.integer({ min: 2, max: 5 }),
          fc.array(corner, { minLength: 13 - stacked, maxLength: 13 - stacked }),
          fc.integer({ min: 0, max: 6 }),
          fc.boolean(),
          (degree, corners, at, heavy) => {
            const stack = Array.from({ length: stacked }, () => corners[0]!);
            const points = [...corners.slice(1, 1 + at), ...stack, ...corners.slice(1 + at)];
            const curve: Curve = {
              degree,
              knots: clampedUniformKnots(points.length, degree),
              points,
              ...(heavy && { weights: points.map((_, k) => (k % 3 === 0 ? 220 : 1)) }),
            };
            validateCurve(curve);
            const { places, overlapping } = selfIntersections(curve);
            expect(typeof overlapping).toBe('boolean');
            if (!overlapping) expect(places.length).toBeLessThan(100);
          },
        ),
        { numRuns: 50 },
      );
    },
  );

  it('and of ten thousand points are looked for without keeping every pair', () => {
    const points = Array.from({ length: 10_000 }, (_, k) => [k * 10, 30 * Math.sin(k * 1.3)]);
    const curve: Curve = { degree: 3, knots: clampedUniformKnots(10_000, 3), points };
    expect(selfIntersections(curve).places).toHaveLength(0);
  });
});
