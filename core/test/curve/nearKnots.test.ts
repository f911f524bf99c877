import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Curve } from '../../src/curve/curve.js';
import { decompose } from '../../src/curve/decompose.js';
import { elevateDegree } from '../../src/curve/elevateDegree.js';
import { CurveError } from '../../src/curve/error.js';
import { insertKnot, insertKnots } from '../../src/curve/insertKnot.js';
import { joinCurves } from '../../src/curve/join.js';
import { clampedKnotVector, domainOf, interiorKnots } from '../../src/curve/knotVector.js';
import { lengthOfCurve } from '../../src/curve/length.js';
import { periodicKnotVector, wrapped } from '../../src/curve/periodic.js';
import { refitCurve } from '../../src/curve/refit.js';
import { reverseCurve } from '../../src/curve/reparametrise.js';
import { settleKnots, withSettledKnots } from '../../src/curve/settleKnots.js';
import { extractPart, splitCurve } from '../../src/curve/split.js';
import { validateCurve } from '../../src/curve/validate.js';
import { sizeOf } from './arbitrary.js';
import { expectSameCurve } from './sameCurve.js';
import { holds } from '../holds.js';

/** The cubic of the smallest case: two of its knots are one in every sense but the last digit. */
const cubic: Curve = {
  degree: 3,
  knots: [0, 0, 0, 0, 0.3, 0.1 + 0.2, 0.8, 1, 1, 1, 1],
  points: [
    [0, 0],
    [10, 40],
    [30, -20],
    [60, 30],
    [80, 5],
    [100, 20],
    [120, 60],
  ],
};
const line: Curve = {
  degree: 1,
  knots: [0, 0, 0.8882519247010351, 0.8882519247010352, 1, 1],
  points: [
    [0, 0],
    [10, 40],
    [30, -20],
    [60, 30],
  ],
  weights: [3, 1, 3, 3],
};

/** Curves of degree 1 to 9 whose knots are far apart, close together down to a little above the tolerance, or below it. */
const close: fc.Arbitrary<Curve> = fc
  .record({
    degree: fc.integer({ min: 1, max: 9 }),
    gaps: fc.array(
      fc.oneof(
        fc.double({ min: 0.1, max: 1, noNaN: true }),
        fc.double({ min: 4, max: 17, noNaN: true }).map((digits) => 10 ** -digits),
      ),
      { minLength: 2, maxLength: 8 },
    ),
    multiplicities: fc.array(fc.integer({ min: 1, max: 3 }), { minLength: 8, maxLength: 8 }),
    start: fc.constantFrom(0, -3, 17.5),
    ends: fc.constantFrom('clamped', 'unclamped', 'periodic'),
    rational: fc.boolean(),
    seed: fc.integer({ min: 1, max: 2 ** 30 }),
  })
  .map(({ degree, gaps, multiplicities, start, ends, rational, seed }) => {
    let state = seed;
    const share = (): number => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
    let value = start;
    const inner = gaps.map((gap, k) => ({
      value: (value += gap),
      multiplicity: Math.min(multiplicities[k]!, degree),
    }));
    const end = value + 0.5;
    const knots =
      ends === 'clamped'
        ? clampedKnotVector(start, end, inner, degree)
        : ends === 'periodic'
          ? periodicKnotVector([{ value: start, multiplicity: 1 }, ...inner], end, degree)
          : [
              ...Array.from({ length: degree }, (_, k) => start - (degree - k) * (end - start)),
              ...clampedKnotVector(start, end, inner, degree).slice(degree, -degree),
              ...Array.from({ length: degree }, (_, k) => end + (k + 1) * (end - start)),
            ];
    const count = knots.length - degree - 1 - (ends === 'periodic' ? degree : 0);
    const close = <T>(list: T[]): T[] => (ends === 'periodic' ? wrapped(list, degree) : list);
    const points = Array.from({ length: count }, () => [share() * 100 - 50, share() * 100 - 50]);
    const weights = points.map(() => 10 ** (share() * 4 - 2));
    return {
      degree,
      knots,
      points: close(points),
      ...(rational && { weights: close(weights) }),
      ...(ends === 'periodic' && { periodic: true as const }),
    };
  });

/** The curve with settled knots, where its multiplicities then allow one. */
function settled(curve: Curve): Curve | undefined {
  const made = withSettledKnots(curve);
  try {
    validateCurve(made);
    return made;
  } catch (error) {
    expect(error).toBeInstanceOf(CurveError);
    expect((error as CurveError).kind).toMatch(/knot-multiplicity|periodic/);
    return undefined;
  }
}

describe('knots that can’t be told apart', () => {
  it('are refused where a curve has them, with both places', () => {
    expect(() => validateCurve(cubic)).toThrow(CurveError);
    expect(() => validateCurve(line)).toThrow(/apart/);
  });

  it('become equal by settling, the ends of the domain first', () => {
    expect(settleKnots(cubic.knots, 3)).toEqual([0, 0, 0, 0, 0.3, 0.3, 0.8, 1, 1, 1, 1]);
    expect(settleKnots([0, 0, 1e-10, 1 - 1e-10, 1, 1], 1)).toEqual([0, 0, 0, 1, 1, 1]);
    const kept = [0, 0, 0.3, 0.3 + 1.1e-9, 1, 1];
    expect(settleKnots(kept, 1)).toBe(kept);
  });

  it('and then every exact operation is exact: the smallest cases', () => {
    const one = withSettledKnots(cubic);
    expectSameCurve(one, elevateDegree(one));
    const [first, second] = splitCurve(one, 0.3);
    expect(second.points[0]![0]).toBeCloseTo(first.points.at(-1)![0]!, 12);
    expectSameCurve(second, one);
    const two = withSettledKnots(line);
    expect(lengthOfCurve(two)).toBeCloseTo(99.54057520462963, 9);
    expect(refitCurve(two, 1, 2).deviation.distance).toBeGreaterThan(0);
  });

  it('leave only curves on which exact operations keep all values', () => {
    holds(
      fc.property(close, fc.double({ min: 0.01, max: 0.99, noNaN: true }), (given, share) => {
        const curve = settled(given);
        if (!curve) return;
        const { knots, degree } = curve;
        const [start, end] = domainOf(knots, degree);
        const u = start + share * (end - start);
        const inner = interiorKnots(knots, degree);
        const same = (made: Curve): void => {
          validateCurve(made);
          expectSameCurve(made, curve);
        };
        if (degree < 9) same(elevateDegree(curve));
        for (const { value, multiplicity } of [...inner, { value: u, multiplicity: 0 }]) {
          if (multiplicity < degree) same(insertKnot(curve, value, degree - multiplicity));
        }
        same(
          insertKnots(
            curve,
            inner.filter(({ multiplicity }) => multiplicity < degree).map(({ value }) => value),
          ),
        );
        for (const { value, multiplicity } of [{ value: u, multiplicity: 0 }, ...inner]) {
          const parts = splitCurve(curve, value);
          parts.forEach(same);
          if (multiplicity > degree) continue;
          expectSameCurve(curve, joinCurves(...parts, 1e-9 * sizeOf(curve)));
        }
        decompose(curve).forEach(same);
        same(extractPart(curve, start + 0.1 * share * (end - start), u));
        const turned = reverseCurve(reverseCurve(curve));
        // Between knots this close the rounding of a knot is seen; the knots themselves come back but for it.
        turned.knots.forEach((knot, k) => expect(Math.abs(knot - knots[k]!)).toBeLessThanOrEqual(1e-14));
        expect(turned.points).toEqual(curve.points);
      }),
    );
  });
});
