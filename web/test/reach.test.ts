import { samplesOf } from '@bogen/core/figure';
import type { Curve } from '@bogen/core/curve';
import { describe, expect, it } from 'vitest';
import { reachOf, samePullOfControlPoint } from '../src/figure/paint/drawReach.js';

const curve: Curve = {
  degree: 2,
  knots: [0, 0, 0, 1, 2, 3, 4, 4, 4],
  points: [
    [0, 0],
    [10, 30],
    [30, 40],
    [50, 30],
    [60, 60],
    [90, 50],
  ],
};

describe('how far a pull reaches', () => {
  it('is nothing where the curve stayed, and the pull itself at the most', () => {
    const pulled = { ...curve, points: [[0, 10], ...curve.points.slice(1)] };
    const reach = reachOf(curve, pulled)!;
    expect(reach[0]).toBeCloseTo(10, 9);
    expect(Math.max(...reach)).toBeCloseTo(10, 9);
    // The first control point acts on the first span alone.
    expect(reach.at(-1)).toBe(0);
    expect(reach.filter((value) => value > 0).length).toBeLessThan(reach.length / 2);
  });

  it('is not told of curves with other parameters', () => {
    expect(reachOf(curve, { ...curve, knots: [0, 0, 0, 1, 2, 3.5, 4, 4, 4] })).toBeUndefined();
  });

  it.each([
    ['a polynomial curve', curve],
    ['a rational curve', { ...curve, weights: [1, 2, 0.5, 3, 1, 1] }],
  ])('draws what the pull of the control point with the same number would do: %s', (_, of) => {
    const by = [3, -4];
    const [piece, ...more] = samePullOfControlPoint(of, 2, by);
    expect(more).toEqual([]);
    const points = of.points.map((point, k) => (k === 2 ? [point[0]! + 3, point[1]! - 4] : point));
    const pulled = samplesOf({ ...of, points }).coordinates;
    for (const [x, y] of piece!) {
      const distances = Array.from({ length: pulled.length / 2 }, (_, k) =>
        Math.hypot(pulled[2 * k]! - x!, pulled[2 * k + 1]! - y!),
      );
      expect(Math.min(...distances)).toBeLessThan(1e-9);
    }
    // The third of six control points of degree 2 acts on three of the four spans.
    expect(piece!.length).toBeGreaterThan(pulled.length / 4);
    expect(piece!.length).toBeLessThan((pulled.length / 2) * 0.76);
  });
});
