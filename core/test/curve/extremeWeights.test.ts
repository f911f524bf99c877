import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  closednessOf,
  decompose,
  domainOf,
  elevateDegree,
  extractPart,
  insertKnots,
  interiorKnots,
  openCurve,
  periodicFromClosed,
  splitAtKnots,
  validateCurve,
  type Curve,
} from '../everything.js';
import { arbitraryCurve } from './arbitrary.js';
import { expectSameCurve } from './sameCurve.js';

describe('exact operations with weights from a millionth to a million', () => {
  const curves = arbitraryCurve({ rational: true, weightExponent: 6 });

  it('raise the degree within 1e-12 of the size', () => {
    fc.assert(
      fc.property(curves, fc.integer({ min: 1, max: 3 }), (curve, times) => {
        if (curve.degree + times > 9) return;
        const raised = elevateDegree(curve, times);
        validateCurve(raised);
        expectSameCurve(raised, curve);
      }),
    );
  });

  it('insert many knots at once, in any order and repeatedly, as one after the other', () => {
    fc.assert(
      fc.property(
        curves,
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { maxLength: 12 }),
        (curve, shares) => {
          const { knots, degree } = curve;
          const [start, end] = domainOf(knots, degree);
          const inner = interiorKnots(knots, degree);
          const room = inner.flatMap(({ value, multiplicity }) =>
            Array<number>(Math.max(0, degree - multiplicity)).fill(value),
          );
          const fresh = shares
            .filter((share) => share > 0 && share < 1)
            .map((share) => start + share * (end - start));
          const apart = fresh.filter((u, k) =>
            [...fresh.slice(0, k), ...inner.map(({ value }) => value), start, end].every(
              (other) => Math.abs(other - u) > 1e-6,
            ),
          );
          const inserted = [...room.filter((_, k) => k % 2 === 0), ...apart].reverse();
          const made = insertKnots(curve, inserted);
          validateCurve(made);
          expect(made.points.length).toBe(curve.points.length + inserted.length);
          expectSameCurve(made, curve);
        },
      ),
    );
  });

  it('take a curve apart', () => {
    fc.assert(
      fc.property(curves, fc.double({ min: 0.01, max: 0.99, noNaN: true }), (curve, share) => {
        const [start, end] = domainOf(curve.knots, curve.degree);
        for (const piece of [...decompose(curve), ...splitAtKnots(curve)]) expectSameCurve(piece, curve);
        expectSameCurve(extractPart(curve, start, start + share * (end - start)), curve);
      }),
    );
  });

  it('write a closed curve as periodic', () => {
    fc.assert(
      fc.property(arbitraryCurve({ rational: true, weightExponent: 6, periodic: true }), (curve) => {
        const opened: Curve = openCurve(curve);
        if (closednessOf(opened) !== 'ends-meet') return;
        const again = periodicFromClosed(opened);
        validateCurve(again);
        expectSameCurve(again, opened);
      }),
    );
  });
});
