import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CurveError } from '../../src/curve/error.js';
import { interiorKnots } from '../../src/curve/knotVector.js';
import { moveKnot } from '../../src/curve/moveKnot.js';
import { validateCurve } from '../../src/curve/validate.js';
import { arbitraryCurve } from './arbitrary.js';
import { holds } from '../holds.js';

describe('moving a knot', () => {
  it('leaves all others, the points and the weights, and the curve whole, or says why not', () => {
    holds(
      fc.property(
        arbitraryCurve(),
        fc.nat(),
        fc.oneof(fc.double({ min: -0.2, max: 1.2, noNaN: true }), fc.constantFrom(0, 1)),
        (curve, pick, share) => {
          const inner = interiorKnots(curve.knots, curve.degree);
          if (inner.length === 0) return;
          const at = pick % inner.length;
          const { value, multiplicity } = inner[at]!;
          const [from, next] = [inner[at - 1]?.value ?? value - 1, inner[at + 1]?.value ?? value + 1];
          const to = from + share * (next - from);
          let moved;
          try {
            moved = moveKnot(curve, value, to);
          } catch (error) {
            expect(error).toBeInstanceOf(CurveError);
            return;
          }
          validateCurve(moved);
          expect(moved.points).toBe(curve.points);
          expect(moved.weights).toBe(curve.weights);
          const changed = moved.knots.filter((knot, index) => knot !== curve.knots[index]);
          expect(changed.length === multiplicity || to === value).toBe(true);
          // Back again, where it did not become one with a neighbour.
          if (to > from && to < next && interiorKnots(moved.knots, moved.degree).length === inner.length)
            expect(moveKnot(moved, to, value).knots).toEqual(curve.knots);
        },
      ),
    );
  });

  it('onto a neighbour makes one knot of both multiplicities, and past it is refused', () => {
    const curve = {
      degree: 2,
      knots: [0, 0, 0, 1, 2, 3, 3, 3],
      points: Array.from({ length: 5 }, (_, k) => [k, k % 2]),
    };
    expect(moveKnot(curve, 1, 2).knots).toEqual([0, 0, 0, 2, 2, 3, 3, 3]);
    expect(moveKnot(curve, 1, 2 - 1e-12).knots).toEqual([0, 0, 0, 2, 2, 3, 3, 3]);
    expect(() => moveKnot(curve, 1, 2.5)).toThrow(/between its neighbours/);
    expect(() => moveKnot(curve, 1, 0)).toThrow(/end of the domain/);
    expect(() => moveKnot(curve, 1.5, 1)).toThrow(/no knot 1.5/);
    const linear = {
      degree: 1,
      knots: [0, 0, 1, 1, 2, 3, 3],
      points: Array.from({ length: 5 }, (_, k) => [k, 0]),
    };
    expect(() => moveKnot(linear, 2, 1)).toThrow(/at most 2/);
  });
});
