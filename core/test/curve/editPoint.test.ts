import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createBandedMatrix, factoriseBanded, solveBanded } from '../../src/curve/banded.js';
import type { Curve } from '../../src/curve/curve.js';
import { editPointInfluence, editPoints, moveEditPoint } from '../../src/curve/editPoint.js';
import { CurveError } from '../../src/curve/error.js';
import { clampedUniformKnots } from '../../src/curve/knotVector.js';
import { distinctPointCount, periodicCurve } from '../../src/curve/periodic.js';
import { arbitraryCurve, sizeOf } from './arbitrary.js';
import { expectClose } from './reference.js';
import { holds } from '../holds.js';

describe('edit points', () => {
  it('stay where they are while one of them moves', () => {
    holds(
      fc.property(
        arbitraryCurve().chain((curve) =>
          fc.record({
            curve: fc.constant(curve),
            index: fc.integer({ min: 0, max: distinctPointCount(curve) - 1 }),
          }),
        ),
        ({ curve, index }) => {
          const before = editPoints(curve);
          const to = before[index]!.point.map((coordinate, axis) => coordinate + 3 + axis);
          const moved = moveEditPoint(curve, index, to);
          const after = editPoints(moved);
          // Where few digits separate the weights, the control points run far away and take digits along.
          const size = Math.max(sizeOf(curve), sizeOf(moved));
          after.forEach(({ point }, j) =>
            expectClose(point, j === index ? to : before[j]!.point, 1e-11, size),
          );
          expect(moved.knots).toBe(curve.knots);
        },
      ),
    );
  });

  it('swing the control points to alternating sides of a polynomial curve', () => {
    const curve: Curve = {
      degree: 3,
      knots: clampedUniformKnots(9, 3),
      points: Array.from({ length: 9 }, (_, index) => [index, 0]),
    };
    const influence = editPointInfluence(curve, 4);
    expect(influence[4]).toBeGreaterThan(1);
    influence.forEach((value, j) => {
      if (j > 0 && j < 8) expect(Math.sign(value)).toBe((j - 4) % 2 === 0 ? 1 : -1);
    });
    // The ends are edit points themselves and stay.
    expect(Math.abs(influence[0]!)).toBeLessThan(1e-15);
    expect(Math.abs(influence[8]!)).toBeLessThan(1e-15);
  });

  it('of a clamped curve begin and end at its ends', () => {
    holds(
      fc.property(arbitraryCurve({ clampedOnly: true }), (curve) => {
        const points = editPoints(curve);
        expectClose(points[0]!.point, curve.points[0]!, 1e-14, sizeOf(curve));
        expectClose(points.at(-1)!.point, curve.points.at(-1)!, 1e-14, sizeOf(curve));
      }),
    );
  });

  it('are taken from both sides at a gap', () => {
    const gap: Curve = {
      degree: 1,
      knots: [0, 0, 1, 1, 2, 2],
      points: [
        [0, 0],
        [1, 0],
        [1, 5],
        [2, 5],
      ],
    };
    expect(editPoints(gap).map(({ point }) => point)).toEqual(gap.points);
    expect(moveEditPoint(gap, 1, [1, -1]).points).toEqual([
      [0, 0],
      [1, -1],
      [1, 5],
      [2, 5],
    ]);
  });

  it('lie in the domain of an unclamped vector, and of a periodic one within one turn', () => {
    const unclamped: Curve = {
      degree: 2,
      knots: [0, 1, 2, 3, 4, 5],
      points: [
        [0, 0],
        [1, 1],
        [2, 0],
      ],
    };
    expect(editPoints(unclamped).map(({ parameter }) => parameter)).toEqual([2, 2.5, 3]);
    const ring = periodicCurve(3, [
      [0, 0],
      [4, 0],
      [4, 4],
      [0, 4],
    ]);
    expect(editPoints(ring).map(({ parameter }) => parameter)).toEqual([0.75, 0, 0.25, 0.5]);
  });

  it.each([
    ['a wrong index', 9, [0, 0]],
    ['no whole index', 0.5, [0, 0]],
    ['NaN', 1, [NaN, 0]],
    ['a third coordinate', 1, [0, 0, 0]],
  ])('refuse %s with the typed error', (_, index, to) => {
    const curve: Curve = {
      degree: 2,
      knots: [0, 0, 0, 1, 1, 1],
      points: [
        [0, 0],
        [1, 1],
        [2, 0],
      ],
    };
    expect(() => moveEditPoint(curve, index, to)).toThrow(CurveError);
  });
});

describe('banded systems', () => {
  it('are solved as their product says', () => {
    const matrix = createBandedMatrix(5, 1, 2);
    for (let row = 0; row < 5; row++) {
      for (let column = Math.max(0, row - 1); column <= Math.min(4, row + 2); column++) {
        matrix.entries[row * 4 + column - row + 1] = row === column ? 4 : 1 / (1 + row + column);
      }
    }
    const wanted = [1, -2, 3, 0.5, 7];
    const product = wanted.map((_, row) =>
      wanted.reduce(
        (sum, value, column) =>
          sum +
          (column >= row - 1 && column <= row + 2 ? matrix.entries[row * 4 + column - row + 1]! * value : 0),
        0,
      ),
    );
    const entries = matrix.entries.slice();
    const solution = solveBanded(factoriseBanded(matrix), product);
    solution.forEach((value, index) => expect(value).toBeCloseTo(wanted[index]!, 13));
    expect(matrix.entries).toEqual(entries);
  });
  it('without a single solution are refused', () => {
    expect(() => factoriseBanded(createBandedMatrix(3, 1, 1))).toThrow(CurveError);
  });
});
