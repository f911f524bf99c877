import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Curve } from '../../src/curve/curve.js';
import { CurveError } from '../../src/curve/error.js';
import { pointAt } from '../../src/curve/evaluate.js';
import { insertKnot, insertKnots } from '../../src/curve/insertKnot.js';
import { distinctKnots, domainOf, spansOf } from '../../src/curve/knotVector.js';
import { validateCurve } from '../../src/curve/validate.js';
import { arbitraryCurveAndParameter, sizeOf } from './arbitrary.js';
import { expectClose, referenceCases } from './reference.js';
import { holds } from '../holds.js';

interface InsertCase {
  curve: Curve;
  insert: number[];
  result: Curve;
}

describe('knot insertion', () => {
  it.each(referenceCases<InsertCase>('insert').map((entry, index) => [index, entry] as const))(
    'reference case %i',
    (_, { curve, insert, result }) => {
      const found = insertKnots(curve, insert);
      expect(found.knots).toEqual(result.knots);
      expectClose(found.weights!, result.weights!, 1e-12);
      found.points.forEach((point, index) => expectClose(point, result.points[index]!, 1e-12, sizeOf(curve)));
    },
  );

  it('leaves every point of the curve where it was, at, beside and between knots', () => {
    holds(
      fc.property(arbitraryCurveAndParameter(), fc.integer({ min: 1, max: 9 }), ({ curve, u }, times) => {
        const { degree, knots } = curve;
        const [start, end] = domainOf(knots, degree);
        const tolerance = 1e-9 * (end - start);
        const present = distinctKnots(knots, degree).find(({ value }) => Math.abs(value - u) < tolerance);
        const room = degree - (present?.multiplicity ?? 0);
        if (room < 1) {
          expect(() => insertKnot(curve, u)).toThrow(CurveError);
          return;
        }
        const refined = insertKnot(curve, u, Math.min(times, room));
        validateCurve(refined);
        expect(refined.points).toHaveLength(curve.points.length + Math.min(times, room));
        const parameters = [
          u,
          ...spansOf(knots, degree).flatMap((span) => [span.start, (span.start + span.end) / 2, span.end]),
        ];
        for (const parameter of parameters) {
          expectClose(pointAt(refined, parameter), pointAt(curve, parameter), 1e-12, sizeOf(curve));
        }
      }),
    );
  });

  it('puts a control point on the curve when the multiplicity reaches the degree', () => {
    holds(
      fc.property(arbitraryCurveAndParameter({ clampedOnly: true }), ({ curve, u }) => {
        const { degree, knots } = curve;
        const [start, end] = domainOf(knots, degree);
        if (distinctKnots(knots, degree).some(({ value }) => Math.abs(value - u) < 1e-6 * (end - start)))
          return;
        const refined = insertKnot(curve, u, degree);
        const place = refined.knots.indexOf(u);
        expectClose(refined.points[place - 1]!, pointAt(curve, u), 1e-12, sizeOf(curve));
      }),
    );
  });

  it('takes a value beside a knot for that knot', () => {
    const curve: Curve = {
      degree: 2,
      knots: [0, 0, 0, 1, 2, 2, 2],
      points: [
        [0, 0],
        [1, 1],
        [2, 0],
        [3, 1],
      ],
    };
    expect(insertKnot(curve, 1 + 1e-10).knots).toEqual([0, 0, 0, 1, 1, 2, 2, 2]);
  });

  it.each<[string, number, number]>([
    ['outside the domain', 2.5, 1],
    ['NaN', NaN, 1],
    ['no times', 0.5, 0],
    ['half a time', 0.5, 0.5],
    ['too often', 0.5, 3],
    ['at a clamped end', 0, 1],
  ])('refuses %s', (_, u, times) => {
    const curve: Curve = {
      degree: 2,
      knots: [0, 0, 0, 1, 2, 2, 2],
      points: [
        [0, 0],
        [1, 1],
        [2, 0],
        [3, 1],
      ],
    };
    const before = JSON.stringify(curve);
    expect(() => insertKnot(curve, u, times)).toThrow(CurveError);
    expect(JSON.stringify(curve)).toBe(before);
  });
});
