import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Curve } from '../../src/curve/curve.js';
import { pointAt } from '../../src/curve/evaluate.js';
import { distinctPointCount, withWeight } from '../../src/curve/periodic.js';
import { distance } from '../../src/curve/vector.js';
import { weightAtShare, weightLines, weightPointLines } from '../../src/curve/weightLine.js';
import { arbitraryCurve, sizeOf } from './arbitrary.js';
import { holds } from '../holds.js';

const at = (line: { from: readonly number[]; to: readonly number[] }, share: number): number[] =>
  line.from.map((value, axis) => value + share * (line.to[axis]! - value));

describe('lines of weights', () => {
  it('lead from the curve to each control point, and the weight at a share takes the curve there', () => {
    holds(
      fc.property(
        arbitraryCurve({ dimension: 2 }),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.nat(),
        (curve, share, which) => {
          const lines = weightLines(curve);
          const line = lines[which % Math.max(1, lines.length)];
          if (!line) return;
          const near = 1e-9 * Math.max(1, sizeOf(curve));
          expect(distance(pointAt(curve, line.parameter!), at(line, line.share))).toBeLessThan(near);
          const weight = weightAtShare(line, share);
          if (!(weight > 1e-6 && weight < 1e6)) return;
          const moved = withWeight(curve, line.index, weight);
          expect(distance(pointAt(moved, line.parameter!), at(line, share))).toBeLessThan(near);
        },
      ),
    );
  });

  it('are none for ends that the curve passes, one for every other point', () => {
    holds(
      fc.property(arbitraryCurve({ clampedOnly: true, minimumDegree: 2, rational: true }), (curve) => {
        const passed = weightLines(curve).map(({ index }) => index);
        expect(passed).not.toContain(0);
        expect(passed).not.toContain(curve.points.length - 1);
      }),
    );
  });

  it('of the legs stand where the ratio of two weights puts them', () => {
    const curve: Curve = {
      degree: 1,
      knots: [0, 0, 1, 2, 3, 3],
      points: [
        [0, 0],
        [10, 30],
        [30, 40],
        [50, 30],
      ],
      weights: [1, 3, 1, 0.5],
    };
    expect(weightPointLines(curve).map(({ share }) => share)).toEqual([0.75, 0.25, 0.5 / 1.5]);
  });

  it('on the legs divide them in the ratio of the weights', () => {
    holds(
      fc.property(arbitraryCurve({ rational: true }), (curve) => {
        const lines = weightPointLines(curve);
        expect(lines).toHaveLength(distinctPointCount(curve) - 1);
        for (const line of lines) {
          expect(line.share / (1 - line.share)).toBeCloseTo(
            curve.weights![line.index]! / curve.weights![line.index - 1]!,
            6 - Math.ceil(Math.log10(curve.weights![line.index]! / curve.weights![line.index - 1]! + 1)),
          );
          expect(weightAtShare(line, line.share) / curve.weights![line.index]!).toBeCloseTo(1, 8);
        }
      }),
    );
  });
});
