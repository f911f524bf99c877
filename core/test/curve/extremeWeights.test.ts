import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { closednessOf, openCurve, periodicFromClosed } from '../../src/curve/close.js';
import type { Curve, Point } from '../../src/curve/curve.js';
import { decompose } from '../../src/curve/decompose.js';
import { elevateDegree } from '../../src/curve/elevateDegree.js';
import { pointAt } from '../../src/curve/evaluate.js';
import { insertKnots } from '../../src/curve/insertKnot.js';
import { intersectLine } from '../../src/curve/intersectLine.js';
import { domainOf, interiorKnots, spansOf } from '../../src/curve/knotVector.js';
import { nearestFinder } from '../../src/curve/nearest.js';
import { extractPart } from '../../src/curve/split.js';
import { validateCurve } from '../../src/curve/validate.js';
import { arbitraryCurve, sizeOf } from './arbitrary.js';
import { expectSameCurve } from './sameCurve.js';
import { holds } from '../holds.js';

describe('exact operations with weights from a millionth to a million', () => {
  const curves = arbitraryCurve({ rational: true, weightExponent: 6 });

  it('raise the degree within 1e-12 of the size', () => {
    holds(
      fc.property(curves, fc.integer({ min: 1, max: 3 }), (curve, times) => {
        if (curve.degree + times > 9) return;
        const raised = elevateDegree(curve, times);
        validateCurve(raised);
        expectSameCurve(raised, curve);
      }),
    );
  });

  it('insert many knots at once, in any order and repeatedly, as one after the other', () => {
    holds(
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
    holds(
      fc.property(curves, fc.double({ min: 0.01, max: 0.99, noNaN: true }), (curve, share) => {
        const [start, end] = domainOf(curve.knots, curve.degree);
        for (const piece of decompose(curve)) expectSameCurve(piece, curve);
        expectSameCurve(extractPart(curve, start, start + share * (end - start)), curve);
      }),
    );
  });

  it('write a closed curve as periodic', () => {
    holds(
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

describe('places on a curve with weights from a millionth to a million', () => {
  const curves = arbitraryCurve({ rational: true, weightExponent: 6, dimension: 2 });
  const shares = fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 10, maxLength: 10 });
  /** Parameters that are as close beside each other as weights can make what happens there quick. */
  const parametersOf = (curve: Curve, list: readonly number[]): number[] => {
    const [start, end] = domainOf(curve.knots, curve.degree);
    const spans = spansOf(curve.knots, curve.degree);
    return list
      .flatMap((share, k) => {
        const span = spans[Math.floor(share * (spans.length - 1))]!;
        const width = span.end - span.start;
        const step = 10 ** -(k % 7);
        return [
          start + share * (end - start),
          span.start + step * share * width,
          span.end - step * share * width,
        ];
      })
      .map((u) => Math.min(end, Math.max(start, u)))
      .sort((a, b) => a - b);
  };

  it('are their own nearest places', () => {
    holds(
      fc.property(curves, shares, (curve, list) => {
        const find = nearestFinder(curve);
        for (const u of parametersOf(curve, list)) {
          expect(find(pointAt(curve, u)).distance).toBeLessThan(1e-9 * sizeOf(curve));
        }
      }),
    );
  });

  it('have a crossing with a line between them where they lie on its two sides', () => {
    // Lines that pass beside two control points.
    const place = fc.tuple(fc.nat(), fc.double({ min: -3, max: 3, noNaN: true }));
    let crossings = 0;
    holds(
      fc.property(curves, shares, place, place, (curve, list, one, two) => {
        const [first, second] = [one, two].map(([index, beside]) =>
          curve.points[index % curve.points.length]!.map((value, axis) => value + beside * (axis + 1)),
        ) as [[number, number], [number, number]];
        const length = Math.hypot(second[0] - first[0], second[1] - first[1]);
        if (length < 1) return;
        const found = intersectLine(curve, [first, second]);
        const sideOf = ([x, y]: Point): number =>
          ((second[0] - first[0]) * (y! - first[1]) - (second[1] - first[1]) * (x! - first[0])) / length;
        const evenly = Array.from({ length: 60 }, (_, k) => k / 59);
        const all = parametersOf(curve, [...list, ...evenly]).map((u) => ({
          u,
          side: sideOf(pointAt(curve, u)),
        }));
        const clear = all.filter(({ side }) => Math.abs(side) > 1e-4 * sizeOf(curve));
        // What runs along the line for a while crosses it nowhere in particular.
        const along = all.filter(({ side }) => Math.abs(side) < 1e-9 * sizeOf(curve));
        // A gap may carry the curve to the other side without a crossing.
        const gaps = interiorKnots(curve.knots, curve.degree).filter(
          ({ multiplicity }) => multiplicity > curve.degree,
        );
        for (let k = 1; k < clear.length; k++) {
          const [a, b] = [clear[k - 1]!, clear[k]!];
          if (a.side * b.side > 0 || gaps.some(({ value }) => value >= a.u && value <= b.u)) continue;
          if (along.some(({ u }) => u > a.u && u < b.u)) continue;
          crossings++;
          expect(found.some(({ parameter }) => parameter >= a.u && parameter <= b.u)).toBe(true);
        }
      }),
      { least: 150 },
    );
    expect(crossings).toBeGreaterThan(5);
  });
});
