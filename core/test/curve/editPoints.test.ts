import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { editPoints } from '../../src/curve/editPoint.js';
import { CurveError } from '../../src/curve/error.js';
import { largestDistance } from '../../src/curve/hausdorff.js';
import { insertEditPoint } from '../../src/curve/insertEditPoint.js';
import { domainOf, grevilleAbscissae } from '../../src/curve/knotVector.js';
import { removeControlPoint } from '../../src/curve/removeControlPoint.js';
import { clampEnds } from '../../src/curve/split.js';
import { arbitraryCurve } from './arbitrary.js';
import { expectSameCurve } from './sameCurve.js';
import { holds } from '../holds.js';

describe('one more edit point', () => {
  it('lies at the parameter that was asked for, and the shape stays', () => {
    let made = 0;
    holds(
      fc.property(arbitraryCurve(), fc.double({ min: 0.001, max: 0.999, noNaN: true }), (any, share) => {
        const curve = any.periodic ? any : clampEnds(any);
        const [start, end] = domainOf(curve.knots, curve.degree);
        const u = start + share * (end - start);
        let result;
        try {
          result = insertEditPoint(curve, u);
        } catch (error) {
          expect(error).toBeInstanceOf(CurveError);
          return;
        }
        made++;
        const period = any.periodic ? end - start : 0;
        const abscissae = grevilleAbscissae(result.knots, result.degree).flatMap((abscissa) => [
          abscissa - period,
          abscissa,
          abscissa + period,
        ]);
        expect(Math.min(...abscissae.map((abscissa) => Math.abs(abscissa - u)))).toBeLessThan(
          2e-9 * (end - start),
        );
        expect(editPoints(result)).toHaveLength(editPoints(curve).length + 1);
        expectSameCurve(curve, result);
      }),
    );
    expect(made).toBeGreaterThan(20);
  });

  const curve = {
    degree: 3,
    knots: [0, 0, 0, 0, 1, 2, 2, 2, 2],
    points: [
      [0, 0],
      [1, 3],
      [4, 4],
      [7, 3],
      [8, 0],
    ],
  };

  it('is refused where there is one', () => {
    expect(() => insertEditPoint(curve, 1)).toThrow(/edit point at 1 already/);
    expect(() => insertEditPoint(curve, 0)).toThrow(/already/);
  });

  it('and a point less tells what it costs', () => {
    const { curve: less, deviation } = removeControlPoint(curve, 2);
    expect(less.points).toHaveLength(4);
    expect(deviation.distance).toBeGreaterThan(0);
    expect(largestDistance(curve, less).distance).toBeLessThanOrEqual(deviation.distance + 1e-12);
    expect(() => removeControlPoint(less, 1)).toThrow(/needs the 4 control points/);
  });
});
