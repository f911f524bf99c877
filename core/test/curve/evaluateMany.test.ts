import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Curve, Point } from '../../src/curve/curve.js';
import { CurveError } from '../../src/curve/error.js';
import { derivativesAt, pointAt, rationalBasisFunctions } from '../../src/curve/evaluate.js';
import { derivativesAtMany, pointsAt } from '../../src/curve/evaluateMany.js';
import { domainOf } from '../../src/curve/knotVector.js';
import { spanPolynomials } from '../../src/curve/spanPolynomials.js';
import { arbitraryCurve, sizeOf } from './arbitrary.js';
import { derivativeScale, expectClose, referenceCases } from './reference.js';
import { holds } from '../holds.js';

interface EvaluateCase {
  curve: Curve;
  samples: { u: number; derivatives: Point[] }[];
}

/** Row r of derivatives at parameter i. */
function rowOf(values: Float64Array, i: number, r: number, rows: number, dimension: number): number[] {
  const at = (i * rows + r) * dimension;
  return [...values.subarray(at, at + dimension)];
}

describe('many parameters at once', () => {
  it.each(referenceCases<EvaluateCase>('evaluate').map((entry, index) => [index, entry] as const))(
    'meets reference case %i as single ones do',
    (_, { curve, samples }) => {
      const dimension = curve.points[0]!.length;
      const parameters = samples.map(({ u }) => u);
      const points = pointsAt(curve, parameters);
      const values = derivativesAtMany(curve, parameters, 3);
      const second = derivativesAtMany(curve, parameters, 2);
      const scale = (order: number): number => derivativeScale(samples, order);
      samples.forEach(({ derivatives }, i) => {
        expectClose(rowOf(points, i, 0, 1, dimension), derivatives[0]!, 1e-12, sizeOf(curve));
        [1e-12, 1e-11, 1e-10, 1e-9].forEach((tolerance, r) => {
          const size = r === 0 ? sizeOf(curve) : scale(r);
          expectClose(rowOf(values, i, r, 4, dimension), derivatives[r]!, tolerance, size);
          if (r < 3) expectClose(rowOf(second, i, r, 3, dimension), derivatives[r]!, tolerance, size);
        });
      });
    },
  );

  it('gives the points that single evaluation gives, in any order, at knots, with extreme weights', () => {
    holds(
      fc.property(
        arbitraryCurve(),
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 1, maxLength: 20 }),
        (curve, shares) => {
          const dimension = curve.points[0]!.length;
          const [start, end] = domainOf(curve.knots, curve.degree);
          const inside = curve.knots.filter((u) => u >= start && u <= end);
          const parameters = [...shares.map((t) => Math.min(end, start + t * (end - start))), ...inside];
          const prepared = spanPolynomials(curve, 2);
          const points = pointsAt(prepared, parameters);
          const values = derivativesAtMany(prepared, parameters, 2);
          parameters.forEach((u, i) => {
            const [point, first, second] = derivativesAt(curve, u, 2) as [Point, Point, Point];
            expectClose(rowOf(points, i, 0, 1, dimension), point, 1e-12, sizeOf(curve));
            expectClose(rowOf(values, i, 0, 3, dimension), point, 1e-12, sizeOf(curve));
            // A derivative is off by rounding over the span, which weights may make steep.
            const width = Math.min(...prepared.spans.map((span) => span.end - span.start));
            const weights = curve.weights ?? [1];
            const steep = (Math.max(...weights) / Math.min(...weights)) * (2 * curve.degree) ** 2;
            const size = sizeOf(curve) * steep;
            expectClose(rowOf(values, i, 1, 3, dimension), first, 1e-11, size / width);
            expectClose(rowOf(values, i, 2, 3, dimension), second, 1e-11, (size * steep) / width ** 2);
          });
        },
      ),
    );
  });

  it('refuses what lies outside, by its index', () => {
    const line: Curve = {
      degree: 1,
      knots: [0, 0, 1, 1],
      points: [
        [0, 0],
        [1, 1],
      ],
    };
    expect(() => pointsAt(line, [0, 0.5, 1.5])).toThrow(/Parameter 2/);
    expect(() => derivativesAtMany(line, [NaN], 1)).toThrow(/Parameter 0/);
    expect(() => derivativesAtMany(line, [0], 4)).toThrow(CurveError);
  });

  it('rational basis functions sum to one and weigh the points', () => {
    holds(
      fc.property(arbitraryCurve(), fc.double({ min: 0, max: 1, noNaN: true }), (curve, t) => {
        const [start, end] = domainOf(curve.knots, curve.degree);
        const u = Math.min(end, start + t * (end - start));
        const { first, values } = rationalBasisFunctions(curve, u);
        expect(values.reduce((sum, value) => sum + value, 0)).toBeCloseTo(1, 11);
        const sum = curve.points[0]!.map((_, axis) =>
          values.reduce((total, value, j) => total + value * curve.points[first + j]![axis]!, 0),
        );
        expectClose(sum, pointAt(curve, u), 1e-12, sizeOf(curve));
      }),
    );
  });
});
