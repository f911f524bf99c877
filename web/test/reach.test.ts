import { editPoints, type Curve } from '@bogen/core/curve';
import { describe, expect, it } from 'vitest';
import { reachOf, samePullOfControlPoint } from '../src/figure/paint/drawReach.js';
import { weightAt, weightPointsOf } from '../src/editing/weights/weightPoint.js';

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
    const pulled = samePullOfControlPoint(curve, 0, [0, 10]);
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

  it('moves the control point with the number of an edit point by its vector', () => {
    const pulled = samePullOfControlPoint(curve, 2, [3, -4]);
    expect(pulled.points[2]).toEqual([33, 36]);
    expect(pulled.points.filter((point, k) => point !== curve.points[k])).toHaveLength(1);
    expect(editPoints(pulled)).toHaveLength(6);
  });
});

describe('a weight point', () => {
  it('lies at the ratio of its neighbours’ weights, and gives the weight back', () => {
    const weighted: Curve = { ...curve, weights: [1, 3, 1, 1, 0.5, 1] };
    const points = weightPointsOf(weighted);
    expect(points.map(({ share }) => share)).toEqual([0.75, 0.25, 0.5, 0.5 / 1.5, 1 / 1.5]);
    for (const { index, share } of points) {
      expect(weightAt(weighted, index, share)).toBeCloseTo(weighted.weights![index + 1]!, 9);
    }
    expect(weightPointsOf(curve)).toEqual([]);
  });
});
