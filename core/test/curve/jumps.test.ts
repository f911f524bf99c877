import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { knotJumps } from '../../src/curve/continuity.js';
import type { Curve } from '../../src/curve/curve.js';
import { clampedUniformKnots } from '../../src/curve/knotVector.js';
import { arbitraryCurve, sizeOf } from './arbitrary.js';
import { holds } from '../holds.js';

describe('jumps at knots', () => {
  it('are none where multiplicity guarantees smoothness', () => {
    holds(
      fc.property(arbitraryCurve({ dimension: 2, rational: false, clampedOnly: true }), (curve) => {
        for (const { multiplicity, position, magnitude, knot } of knotJumps(curve)) {
          expect(position).toBeLessThan(1e-9 * sizeOf(curve));
          if (multiplicity < curve.degree - 1) expect(magnitude, String(knot)).toBeLessThan(1e-4);
        }
      }),
    );
  });

  it('tell a corner, a change of speed, and a change of curvature from one another', () => {
    const joint = (points: number[][], knots: number[]): Curve => ({ degree: 2, knots, points });
    const knots = [0, 0, 0, 1, 1, 2, 2, 2];
    const [corner] = knotJumps(
      joint(
        [
          [0, 0],
          [1, 0],
          [2, 0],
          [2, 1],
          [2, 2],
        ],
        knots,
      ),
    );
    expect(corner!.direction).toBeCloseTo(Math.PI / 2, 12);
    expect(corner!.magnitude).toBeCloseTo(0, 12);
    const [faster] = knotJumps(
      joint(
        [
          [0, 0],
          [1, 1],
          [2, 1],
          [4, 1],
          [5, 0],
        ],
        knots,
      ),
    );
    expect(faster).toMatchObject({ knot: 1, multiplicity: 2, position: 0 });
    expect(faster!.direction).toBeCloseTo(0, 12);
    expect(faster!.magnitude).toBeCloseTo(0.5, 12);
    const [bend] = knotJumps(
      joint(
        [
          [0, 0],
          [1, 1],
          [2, 1],
          [3, 1],
          [4, -5],
        ],
        knots,
      ),
    );
    expect(bend!.magnitude).toBeCloseTo(0, 12);
    expect(bend!.curvature).toBeGreaterThan(0.5);
  });

  it('see a turn back, a gap, and smoothness by accident', () => {
    const knots = [0, 0, 1, 2, 2];
    expect(
      knotJumps({
        degree: 1,
        knots,
        points: [
          [0, 0],
          [1, 0],
          [0, 0],
        ],
      })[0]!.direction,
    ).toBeCloseTo(Math.PI, 12);
    expect(
      knotJumps({
        degree: 1,
        knots,
        points: [
          [0, 0],
          [1, 0],
          [2, 0],
        ],
      })[0],
    ).toMatchObject({ direction: 0, magnitude: 0, curvature: 0 });
    const gap: Curve = {
      degree: 1,
      knots: [0, 0, 1, 1, 2, 2],
      points: [
        [0, 0],
        [1, 0],
        [1, 3],
        [2, 3],
      ],
    };
    expect(knotJumps(gap)[0]!.position).toBe(3);
  });

  it('are no NaN where the curve stands still', () => {
    const still: Curve = {
      degree: 2,
      knots: clampedUniformKnots(5, 2),
      points: Array.from({ length: 5 }, () => [3, 3]),
    };
    for (const jump of knotJumps(still)) {
      for (const value of Object.values(jump)) expect(Number.isFinite(value)).toBe(true);
    }
  });
});
