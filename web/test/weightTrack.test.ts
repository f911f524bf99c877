import { weightScale, weightsOf } from '@bogen/core/figure';
import type { Curve } from '@bogen/core/curve';
import { describe, expect, it } from 'vitest';
import { numberUp, ratioUp } from '../src/figure/hold/scalar.js';
import type { HeldKeys } from '../src/figure/hold/valueSpace.js';

const none: HeldKeys = { ctrlKey: false, shiftKey: false, altKey: false, metaKey: false };
const line = (weights?: readonly number[]): Curve => ({
  degree: 1,
  knots: [0, 0, 0.5, 1, 1],
  points: [
    [0, 0],
    [1, 0],
    [2, 0],
  ],
  ...(weights ? { weights } : {}),
});

describe('the track of weights', () => {
  it.each<[string, readonly number[] | undefined, [number, number]]>([
    ['none', undefined, [-1, 1]],
    ['of moderate size', [1, 3, 0.5], [-1, 1]],
    ['at the ends of the scale', [0.1, 1, 10], [-1, 1]],
    ['beyond them', [1, 11, 0.004], [-3, 2]],
  ])('has room for weights %s', (_, weights, domain) => {
    const scale = weightScale(line(weights), 96);
    expect(scale.range.map(Math.log10)).toEqual(domain);
    for (const weight of weightsOf(line(weights))) {
      const y = scale.y(weight);
      expect(y).toBeGreaterThanOrEqual(12 - 1e-9);
      expect(y).toBeLessThanOrEqual(87 + 1e-9);
    }
  });

  it('is pulled by factors: equal ways, equal factors, one is found again, and limits hold', () => {
    const space = ratioUp({ limits: [0.01, 100], pixels: [200, 0] });
    expect(space.toScreen(1)[1]).toBeCloseTo(100, 9);
    expect(space.at([0, 50], none)).toBe(10);
    expect(space.at([0, 150], none)).toBe(0.1);
    expect(space.at([0, 98], none)).toBe(1);
    expect(space.at([0, -500], none)).toBe(100);
    expect(space.at([0, 75], none)).toBe(3.16);
    expect(space.nudged(2, { ...none, key: 'ArrowUp' })).toBe(2.1);
    expect(space.nudged(2, { ...none, key: 'ArrowDown', altKey: true })).toBe(1.99);
    expect(space.nudged(90, { ...none, key: 'ArrowUp', shiftKey: true })).toBe(100);
    expect(space.nudged(2, { ...none, key: 'x' })).toBeUndefined();
  });

  it('is even where weights of any sign are allowed, and stands on zero', () => {
    const scale = weightScale({ ...line([1, -2.5, 0]), signedWeights: true }, 96);
    expect(scale.range).toEqual([-3, 1]);
    expect(scale.foot).toBe(0);
    expect(scale.y(-1)).toBeCloseTo((scale.y(-3) + scale.y(1)) / 2, 9);
    const space = numberUp({ limits: [-10, 10], pixels: [200, 0], step: 0.05, attracts: [0, 1] });
    expect(space.at([0, 101], none)).toBe(0);
    expect(space.at([0, 91], none)).toBe(1);
    expect(space.at([0, 123.4], none)).toBe(-2.34);
    expect(space.at([0, 900], none)).toBe(-10);
    expect(space.nudged(0, { ...none, key: 'ArrowDown' })).toBe(-0.05);
    expect(space.nudged(0, { ...none, key: 'x' })).toBeUndefined();
  });
});
