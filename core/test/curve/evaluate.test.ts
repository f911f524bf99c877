import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { basisDerivatives, basisFunctions } from '../../src/curve/basis.js';
import type { Curve, Point } from '../../src/curve/curve.js';
import { CurveError } from '../../src/curve/error.js';
import { derivativesAt, pointAt } from '../../src/curve/evaluate.js';
import { domainOf, findSpan } from '../../src/curve/knotVector.js';
import { arbitraryCurve, arbitraryCurveAndParameter, sizeOf } from './arbitrary.js';
import { derivativeScale, expectClose, referenceCases } from './reference.js';
import { holds } from '../holds.js';

interface EvaluateCase {
  curve: Curve;
  kind: string;
  samples: { u: number; derivatives: Point[] }[];
}

describe('reference cases of evaluation', () => {
  it.each(referenceCases<EvaluateCase>('evaluate').map((entry, index) => [index, entry] as const))(
    'case %i',
    (_, { curve, samples }) => {
      for (const { u, derivatives } of samples) {
        const found = derivativesAt(curve, u, 3);
        expectClose(pointAt(curve, u), derivatives[0]!, 1e-12);
        const scale = (order: number): number => derivativeScale(samples, order);
        expectClose(found[0]!, derivatives[0]!, 1e-12);
        expectClose(found[1]!, derivatives[1]!, 1e-11, scale(1));
        expectClose(found[2]!, derivatives[2]!, 1e-10, scale(2));
        expectClose(found[3]!, derivatives[3]!, 1e-9, scale(3));
      }
    },
  );
});

describe('basis functions', () => {
  it('are non-negative and sum to one, at, beside and between knots', () => {
    holds(
      fc.property(arbitraryCurveAndParameter(), ({ curve, u }) => {
        for (const side of ['left', 'right'] as const) {
          const span = findSpan(curve.knots, curve.degree, u, side);
          const basis = basisFunctions(curve.knots, curve.degree, span, u);
          expect(Math.min(...basis)).toBeGreaterThanOrEqual(-1e-14);
          expect(basis.reduce((sum, value) => sum + value, 0)).toBeCloseTo(1, 12);
        }
      }),
    );
  });

  it('have derivatives that sum to zero and start with the values themselves', () => {
    holds(
      fc.property(arbitraryCurveAndParameter(), ({ curve, u }) => {
        const { degree, knots } = curve;
        const span = findSpan(knots, degree, u);
        const table = basisDerivatives(knots, degree, span, u, 2);
        const values = basisFunctions(knots, degree, span, u);
        for (let j = 0; j <= degree; j++) expect(table[j]).toBeCloseTo(values[j]!, 13);
        for (let k = 1; k <= 2; k++) {
          const row = [...table.subarray(k * (degree + 1), (k + 1) * (degree + 1))];
          const size = Math.max(1, ...row.map(Math.abs));
          expect(Math.abs(row.reduce((sum, value) => sum + value, 0)) / size).toBeLessThan(1e-11);
        }
      }),
    );
  });
});

describe('a point of the curve', () => {
  it('lies in the box of the control points that reach it', () => {
    holds(
      fc.property(arbitraryCurveAndParameter(), ({ curve, u }) => {
        const span = findSpan(curve.knots, curve.degree, u);
        const reach = curve.points.slice(span - curve.degree, span + 1);
        pointAt(curve, u).forEach((coordinate, axis) => {
          const coordinates = reach.map((point) => point[axis]!);
          const slack = 1e-12 * sizeOf(curve);
          expect(coordinate).toBeGreaterThanOrEqual(Math.min(...coordinates) - slack);
          expect(coordinate).toBeLessThanOrEqual(Math.max(...coordinates) + slack);
        });
      }),
    );
  });

  it('moves with the plane: an affine map of the points maps the curve', () => {
    holds(
      fc.property(arbitraryCurveAndParameter({ dimension: 2 }), ({ curve, u }) => {
        const map = ([x, y]: Point): Point => [2 * x! - 3 * y! + 7, x! + 4 * y! - 5];
        const mapped = pointAt({ ...curve, points: curve.points.map(map) }, u);
        expectClose(mapped, map(pointAt(curve, u)), 1e-12, 10 * sizeOf(curve));
      }),
    );
  });

  it('is the first and the last control point at the clamped ends', () => {
    holds(
      fc.property(arbitraryCurve({ clampedOnly: true }), (curve) => {
        const [start, end] = domainOf(curve.knots, curve.degree);
        expectClose(pointAt(curve, start), curve.points[0]!, 1e-14, sizeOf(curve));
        expectClose(pointAt(curve, end), curve.points.at(-1)!, 1e-14, sizeOf(curve));
      }),
    );
  });

  it('keeps apart the two sides of a gap', () => {
    const gap: Curve = {
      degree: 1,
      knots: [0, 0, 1, 1, 2, 2],
      points: [
        [0, 0],
        [1, 0],
        [1, 5],
        [2, 5],
      ],
    };
    expect(pointAt(gap, 1, 'left')).toEqual([1, 0]);
    expect(pointAt(gap, 1, 'right')).toEqual([1, 5]);
  });
});

describe('one-sided derivatives', () => {
  it('differ at a corner and agree with difference quotients from their side', () => {
    const corner: Curve = {
      degree: 2,
      knots: [0, 0, 0, 1, 1, 2, 2, 2],
      points: [
        [0, 0],
        [1, 2],
        [2, 0],
        [4, 1],
        [5, 0],
      ],
    };
    const step = 1e-6;
    const at = pointAt(corner, 1);
    const left = derivativesAt(corner, 1, 1, 'left')[1]!;
    const right = derivativesAt(corner, 1, 1, 'right')[1]!;
    const before = pointAt(corner, 1 - step);
    const after = pointAt(corner, 1 + step);
    expectClose(
      left,
      at.map((c, axis) => (c - before[axis]!) / step),
      1e-5,
    );
    expectClose(
      right,
      at.map((c, axis) => (after[axis]! - c) / step),
      1e-5,
    );
    expect(left).not.toEqual(right);
  });
});

describe('bad parameters', () => {
  const line: Curve = {
    degree: 1,
    knots: [0, 0, 1, 1],
    points: [
      [0, 0],
      [1, 1],
    ],
  };
  it.each([NaN, -1e-12, 1.0000001, Infinity, -Infinity])('refuses %d with the typed error', (u) => {
    for (const call of [() => pointAt(line, u), () => derivativesAt(line, u, 2)]) {
      expect(call).toThrow(CurveError);
      expect(call).toThrow(/must lie from 0 to 1/);
    }
  });
  it('refuses an order that is no whole number', () => {
    expect(() => derivativesAt(line, 0.5, 1.5)).toThrow(CurveError);
    expect(() => derivativesAt(line, 0.5, -1)).toThrow(CurveError);
  });
});
