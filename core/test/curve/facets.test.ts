import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exactCircle } from '../../src/curve/circle.js';
import type { Curve } from '../../src/curve/curve.js';
import { pointAt } from '../../src/curve/evaluate.js';
import { distanceFromSegment, facetsOf } from '../../src/curve/facets.js';
import { largestDistance } from '../../src/curve/hausdorff.js';
import { clampedUniformKnots } from '../../src/curve/knotVector.js';
import { sampleCurve } from '../../src/curve/sample.js';
import { sampleDistances } from '../../src/curve/sampleDistances.js';
import { holds } from '../holds.js';

const cubic: Curve = {
  degree: 3,
  knots: clampedUniformKnots(6, 3),
  points: [
    [0, 10],
    [20, 70],
    [70, 90],
    [120, 85],
    [175, 60],
    [200, 10],
  ],
};

describe('facets', () => {
  it('of a circle have the sagitta of their chords', () => {
    const circle = exactCircle({ centre: [0, 0], radius: 50, x: [1, 0], y: [0, 1] }, 'quadratic9');
    const { points, chordError } = facetsOf(circle, 0.5);
    for (const point of points) expect(Math.hypot(point[0]!, point[1]!)).toBeCloseTo(50, 10);
    const sagittas = points.slice(1).map((point, k) => {
      const half = Math.hypot(point[0]! - points[k]![0]!, point[1]! - points[k]![1]!) / 2;
      return 50 - Math.sqrt(50 * 50 - half * half);
    });
    expect(chordError).toBeCloseTo(Math.max(...sagittas), 2);
    expect(chordError).toBeLessThanOrEqual(0.5);
  });

  it('stay within the tolerance, and lie on the curve', () => {
    holds(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: -100, max: 100 }), fc.integer({ min: -100, max: 100 })), {
          minLength: 5,
          maxLength: 9,
        }),
        fc.integer({ min: 1, max: 4 }),
        fc.double({ min: 0.01, max: 5, noNaN: true }),
        (points, degree, tolerance) => {
          const curve = { degree, knots: clampedUniformKnots(points.length, degree), points };
          const facets = facetsOf(curve, tolerance);
          expect(facets.chordError).toBeLessThanOrEqual(tolerance * (1 + 1e-9));
          facets.parameters.forEach((u, k) => {
            const at = pointAt(curve, u);
            expect(Math.hypot(at[0]! - facets.points[k]![0]!, at[1]! - facets.points[k]![1]!)).toBeLessThan(
              1e-9,
            );
            if (k > 0) expect(u).toBeGreaterThan(facets.parameters[k - 1]!);
          });
        },
      ),
    );
  });

  it('are one a span where the curve is straight, and more where the tolerance is smaller', () => {
    const straight = {
      degree: 1,
      knots: [0, 0, 1, 2, 2],
      points: [
        [0, 0],
        [5, 5],
        [9, 0],
      ],
    };
    expect(facetsOf(straight, 0.01).points).toEqual(straight.points);
    expect(facetsOf(straight, 0.01).chordError).toBe(0);
    const counts = [1, 0.1, 0.01].map((tolerance) => facetsOf(cubic, tolerance).points.length);
    expect(counts[1]).toBeGreaterThan(counts[0]!);
    expect(counts[2]).toBeGreaterThan(counts[1]!);
  });

  it('are refused without a tolerance above zero', () => {
    for (const tolerance of [0, -1, NaN, Infinity])
      expect(() => facetsOf(cubic, tolerance)).toThrow('above zero');
    expect(() => facetsOf(cubic, 1e-13)).toThrow('more than');
  });
});

describe('distances along a curve', () => {
  it('are those from a segment', () => {
    expect(distanceFromSegment([5, 3], [0, 0], [10, 0])).toBe(3);
    expect(distanceFromSegment([13, 4], [0, 0], [10, 0])).toBe(5);
    expect(distanceFromSegment([3, 4], [0, 0], [0, 0])).toBe(5);
  });
  it('are nothing from itself, and agree with the largest distance where they are largest', () => {
    const own = sampleCurve(cubic, 60);
    expect(Math.max(...sampleDistances(own, own))).toBeLessThan(1e-12);
    const other = { ...cubic, points: cubic.points.map((point, k) => (k === 2 ? [70, 104] : point)) };
    const sampled = Math.max(...sampleDistances(own, sampleCurve(other, 60)));
    expect(sampled).toBeCloseTo(largestDistance(cubic, other).distance, 2);
  });
});
