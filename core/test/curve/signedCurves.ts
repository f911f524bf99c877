import fc from 'fast-check';
import type { Curve } from '../../src/curve/curve.js';
import { validateCurve } from '../../src/curve/validate.js';

const weight = fc.oneof(
  fc.integer({ min: -500, max: 500 }).map((value) => value / 100),
  fc.constantFrom(0, 1, -1, 1e-3, -1e3),
);
/** Curves of degree 1 to 5 with weights of any sign, some of them zero. */
export const signedCurves = fc
  .tuple(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 0, max: 4 }))
  .chain(([degree, inner]) =>
    fc.record({
      points: fc.array(fc.tuple(fc.integer({ min: -50, max: 50 }), fc.integer({ min: -50, max: 50 })), {
        minLength: degree + 1 + inner,
        maxLength: degree + 1 + inner,
      }),
      weights: fc.array(weight, { minLength: degree + 1 + inner, maxLength: degree + 1 + inner }),
      degree: fc.constant(degree),
    }),
  )
  .map(({ degree, points, weights }): Curve => {
    const inner = points.length - degree - 1;
    return {
      degree,
      points,
      weights,
      knots: [
        ...Array<number>(degree + 1).fill(0),
        ...Array.from({ length: inner }, (_, k) => k + 1),
        ...Array<number>(degree + 1).fill(inner + 1),
      ],
      signedWeights: true,
    };
  })
  .filter((curve) => {
    try {
      validateCurve(curve);
      return new Set(curve.points.map(String)).size > 1;
    } catch {
      return false;
    }
  });
