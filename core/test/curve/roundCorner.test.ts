import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { classifyConic } from '../../src/curve/classifyConic.js';
import { measureContinuity } from '../../src/curve/continuity.js';
import type { Curve } from '../../src/curve/curve.js';
import { decompose } from '../../src/curve/decompose.js';
import { CurveError } from '../../src/curve/error.js';
import { pointAt } from '../../src/curve/evaluate.js';
import { domainOf } from '../../src/curve/knotVector.js';
import { lengthOfCurve } from '../../src/curve/length.js';
import { nearestPoint } from '../../src/curve/nearest.js';
import { cornersOf, roundCorner, roundingSizeFor, type Rounding } from '../../src/curve/roundCorner.js';
import { validateCurve } from '../../src/curve/validate.js';
import { distance } from '../../src/curve/vector.js';
import { holds } from '../holds.js';

const corner = (points: readonly number[][]): Curve => ({
  degree: 1,
  knots: [0, ...points.map((_, k) => k), points.length - 1],
  points,
});
const right = corner([
  [0, 0],
  [40, 0],
  [40, 30],
]);
/** Two cubic spans that meet in a corner. */
const bent: Curve = {
  degree: 3,
  knots: [0, 0, 0, 0, 1, 1, 1, 2, 2, 2, 2],
  points: [
    [0, 0],
    [20, 25],
    [50, 20],
    [60, 0],
    [80, 20],
    [110, 30],
    [120, 60],
  ],
};

describe('corners', () => {
  it('are found inside, and at the start where the ends meet in one', () => {
    expect(cornersOf(right)).toEqual([1]);
    expect(cornersOf(bent)).toEqual([1]);
    expect(
      cornersOf(
        corner([
          [0, 0],
          [40, 0],
          [40, 30],
          [0, 0],
        ]),
      ),
    ).toEqual([0, 1, 2]);
    expect(
      cornersOf(
        corner([
          [0, 0],
          [20, 0],
          [40, 0],
        ]),
      ),
    ).toEqual([]);
  });
});

describe('a rounded corner', () => {
  it('by its radius is an exact arc between straight sides', () => {
    const { curve, piece, cut } = roundCorner(right, 1, { way: 'byRadius', radius: 10 });
    validateCurve(curve);
    expect(cut.map((part) => lengthOfCurve(part))).toEqual([expect.closeTo(10, 12), expect.closeTo(10, 12)]);
    const [from, to] = domainOf(piece.knots, piece.degree);
    for (let k = 0; k <= 40; k++) {
      const at = pointAt(curve, from + ((to - from) * k) / 40);
      expect(Math.abs(distance(at, [30, 10]) - 10)).toBeLessThan(1e-13);
    }
    expect(classifyConic(piece).kind).toBe('circle');
    expect(measureContinuity(curve).every(({ geometric }) => geometric >= 1)).toBe(true);
    expect(pointAt(curve, domainOf(curve.knots, curve.degree)[1])).toEqual([40, 30]);
  });

  it('between curved sides has its centre as far from both as its radius', () => {
    for (const radius of [1, 4, 9]) {
      const { piece, curve } = roundCorner(bent, 1, { way: 'byRadius', radius });
      for (const part of decompose(piece)) {
        const arc = classifyConic(part);
        expect(arc.kind).toBe('circle');
        expect(arc.centre && nearestPoint(bent, arc.centre).distance).toBeCloseTo(radius, 9);
      }
      expect(measureContinuity(curve).every(({ geometric }) => geometric >= 1)).toBe(true);
    }
  });

  it('is as smooth as was asked, by each way and at random corners', () => {
    const roundings: readonly [Rounding, number][] = [
      [{ way: 'byRadius', radius: 3 }, 1],
      [{ way: 'byRho', setback: 4, rho: 0.6 }, 1],
      [{ way: 'byBridge', setback: 4, order: 1, strength: 1 }, 1],
      [{ way: 'byBridge', setback: 4, order: 2, strength: 1.3 }, 2],
      [{ way: 'byBridge', setback: 4, order: 3, strength: 0.8 }, 3],
    ];
    const off = fc.double({ min: -6, max: 6, noNaN: true });
    holds(
      fc.property(
        fc.array(off, { minLength: 14, maxLength: 14 }),
        fc.constantFrom(...roundings),
        (offs, [rounding, order]) => {
          const moved = {
            ...bent,
            points: bent.points.map(([x, y], k) => [x! + offs[2 * k]!, y! + offs[2 * k + 1]!]),
          };
          const { curve, piece } = roundCorner(moved, 1, rounding);
          validateCurve(curve);
          const [from, to] = domainOf(piece.knots, piece.degree);
          const joints = measureContinuity(curve).filter(
            ({ knot }) => Math.abs(knot - from) < 1e-9 || Math.abs(knot - to) < 1e-9,
          );
          expect(joints).toHaveLength(2);
          for (const { geometric } of joints) expect(geometric).toBeGreaterThanOrEqual(order);
          expect(cornersOf(curve)).toEqual([]);
        },
      ),
      { numRuns: 120 },
    );
  });

  it('at the start of a closed curve moves the start away from it', () => {
    const triangle = corner([
      [0, 0],
      [40, 0],
      [40, 30],
      [0, 0],
    ]);
    const { curve } = roundCorner(triangle, 0, { way: 'byRadius', radius: 3 });
    expect(cornersOf(curve)).toHaveLength(2);
    expect(nearestPoint(curve, [0, 0]).distance).toBeGreaterThan(1);
  });

  it('says what fits where it finds no room', () => {
    const told = (run: () => unknown): unknown => {
      try {
        run();
      } catch (error) {
        if (error instanceof CurveError) return error.told;
      }
      return undefined;
    };
    expect(told(() => roundCorner(right, 1, { way: 'byRadius', radius: 35 }))).toMatchObject({
      code: 'roundingWithoutRoom',
      parameters: { size: 35, room: 29.9 },
    });
    expect(told(() => roundCorner(right, 1, { way: 'byRho', setback: 31, rho: 0.5 }))).toMatchObject({
      code: 'roundingWithoutRoom',
      parameters: { room: 30 },
    });
    expect(told(() => roundCorner(right, 0.5, { way: 'byRadius', radius: 3 }))).toMatchObject({
      code: 'noCorner',
    });
    for (const radius of [0, -2, NaN, Infinity]) {
      expect(told(() => roundCorner(right, 1, { way: 'byRadius', radius }))).toMatchObject({
        code: 'roundingSize',
      });
    }
    const back = corner([
      [0, 0],
      [40, 0],
      [10, 0],
    ]);
    expect(told(() => roundCorner(back, 1, { way: 'byRadius', radius: 3 }))).toMatchObject({
      code: 'cornerTurnsBack',
    });
  });

  it('follows a hand that pulls where it begins', () => {
    const radius = roundingSizeFor(right, 1, 'byRadius', [22, 5]);
    expect(radius).toBeCloseTo(18, 2);
    expect(roundCorner(right, 1, { way: 'byRadius', radius }).piece.points[0]).toEqual([
      expect.closeTo(22, 1),
      0,
    ]);
    // Beyond the shorter side it stays at what fits.
    expect(roundingSizeFor(right, 1, 'byRho', [-50, 0])).toBeLessThanOrEqual(30);
  });
});
