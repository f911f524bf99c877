import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Curve } from '../../src/curve/curve.js';
import { CurveError } from '../../src/curve/error.js';
import { pointAt } from '../../src/curve/evaluate.js';
import { domainOf } from '../../src/curve/knotVector.js';
import { trimToBox } from '../../src/curve/trim.js';
import { arbitraryCurve, sizeOf } from './arbitrary.js';
import { holds } from '../holds.js';

const zigzag: Curve = {
  degree: 1,
  knots: [0, 0, 1, 2, 3, 3],
  points: [
    [0, 0],
    [10, 10],
    [20, 0],
    [30, 10],
  ],
};

describe('trimming to a box', () => {
  it('keeps the parts inside, in the order of the curve', () => {
    const parts = trimToBox(zigzag, [
      [-1, 5],
      [40, 20],
    ]);
    expect(parts.map(({ knots, degree }) => domainOf(knots, degree))).toEqual([
      [0.5, 1.5],
      [2.5, 3],
    ]);
    expect(
      trimToBox(zigzag, [
        [50, 50],
        [60, 60],
      ]),
    ).toEqual([]);
    expect(
      trimToBox(zigzag, [
        [-1, -1],
        [31, 11],
      ]),
    ).toEqual([zigzag]);
  });

  it('of random curves keeps just what is inside, up to rounding', () => {
    const corner = fc.tuple(fc.integer({ min: -80, max: 80 }), fc.integer({ min: -80, max: 80 }));
    holds(
      fc.property(
        arbitraryCurve({ dimension: 2 }),
        corner,
        fc.tuple(fc.integer({ min: 1, max: 90 }), fc.integer({ min: 1, max: 90 })),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (curve, low, [width, height], share) => {
          const high = [low[0] + width, low[1] + height];
          const parts = trimToBox(curve, [high, low]);
          const slack = 1e-6 * Math.max(1, sizeOf(curve));
          for (const part of parts) {
            const [from, to] = domainOf(part.knots, part.degree);
            for (let k = 0; k <= 8; k++) {
              // The last one may be rounded to beyond the end.
              const u = Math.min(to, from + (k / 8) * (to - from));
              pointAt(part, u).forEach((value, axis) => {
                expect(value).toBeGreaterThan(low[axis]! - slack);
                expect(value).toBeLessThan(high[axis]! + slack);
              });
            }
          }
          // Any place well inside belongs to one of them.
          const [start, end] = domainOf(curve.knots, curve.degree);
          const u = start + share * (end - start);
          const inside = pointAt(curve, u).every(
            (value, axis) => value > low[axis]! + slack && value < high[axis]! - slack,
          );
          if (!inside) return;
          const rounding = 1e-8 * (end - start);
          expect(
            parts.some(({ knots, degree }) => {
              const [from, to] = domainOf(knots, degree);
              return u >= from - rounding && u <= to + rounding;
            }),
          ).toBe(true);
        },
      ),
    );
  });

  it.each([
    [
      [
        [0, 0],
        [0, 5],
      ],
      /no area/,
    ],
    [
      [
        [3, 3],
        [3, 3],
      ],
      /no area/,
    ],
  ] as const)('refuses a box %j', (box, reason) => {
    expect(() => trimToBox(zigzag, box)).toThrow(CurveError);
    expect(() => trimToBox(zigzag, box)).toThrow(reason);
  });
});
