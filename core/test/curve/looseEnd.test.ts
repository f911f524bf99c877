import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pointAt } from '../../src/curve/evaluate.js';
import { domainOf, isClamped } from '../../src/curve/knotVector.js';
import { endMultiplicity, withEndMultiplicity } from '../../src/curve/looseEnd.js';
import { moveKnot } from '../../src/curve/moveKnot.js';
import { validateCurve } from '../../src/curve/validate.js';
import { arbitraryCurve } from './arbitrary.js';
import { holds } from '../holds.js';

describe('the knot at an end of the domain', () => {
  it('stands as often as asked for, the domain and all else staying', () => {
    holds(
      fc.property(
        arbitraryCurve(),
        fc.constantFrom('start' as const, 'end' as const),
        fc.nat(),
        (curve, end, pick) => {
          if (curve.periodic) return;
          const wanted = 1 + (pick % (curve.degree + 1));
          const made = withEndMultiplicity(curve, end, wanted);
          validateCurve(made);
          expect(domainOf(made.knots, made.degree)).toEqual(domainOf(curve.knots, curve.degree));
          expect(made.points).toBe(curve.points);
          expect(endMultiplicity(made, end)).toBe(wanted);
        },
      ),
    );
  });

  it('lets the curve leave its end point once it stands fewer than p times, and brings it back', () => {
    const curve = {
      degree: 2,
      knots: [0, 0, 0, 1, 2, 2, 2],
      points: [
        [0, 0],
        [1, 2],
        [3, 2],
        [4, 0],
      ],
    };
    // The outermost knot acts on nothing.
    expect(pointAt(withEndMultiplicity(curve, 'start', 2), 0)).toEqual([0, 0]);
    const loose = withEndMultiplicity(curve, 'start', 1);
    expect(loose.knots).toEqual([-2, -1, 0, 1, 2, 2, 2]);
    expect(pointAt(loose, 0)).toEqual([0.5, 1]);
    expect(isClamped(withEndMultiplicity(loose, 'start', 3).knots, 2)).toBe(true);
    expect(() => withEndMultiplicity(curve, 'end', 0)).toThrow(/single already/);
  });
});

describe('one of a multiple knot', () => {
  const curve = {
    degree: 2,
    knots: [0, 0, 0, 1, 1, 2, 3, 3, 3],
    points: Array.from({ length: 6 }, (_, k) => [k, k % 2]),
  };
  it('is moved alone, to either side', () => {
    expect(moveKnot(curve, 1, 1.5, 1).knots).toEqual([0, 0, 0, 1, 1.5, 2, 3, 3, 3]);
    expect(moveKnot(curve, 1, 0.5, 1).knots).toEqual([0, 0, 0, 0.5, 1, 2, 3, 3, 3]);
    expect(moveKnot(curve, 1, 2, 1).knots).toEqual([0, 0, 0, 1, 2, 2, 3, 3, 3]);
    expect(moveKnot(curve, 1, 1.5).knots).toEqual([0, 0, 0, 1.5, 1.5, 2, 3, 3, 3]);
    expect(moveKnot(curve, 1, 1, 1)).toBe(curve);
    expect(() => moveKnot(curve, 1, 1.5, 3)).toThrow(/multiplicity 2/);
  });
});
