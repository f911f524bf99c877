import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Curve } from '../../src/curve/curve.js';
import { elevateDegree } from '../../src/curve/elevateDegree.js';
import { CurveError } from '../../src/curve/error.js';
import { pointAt } from '../../src/curve/evaluate.js';
import { joinedByGaps } from '../../src/curve/gaps.js';
import { insertKnot } from '../../src/curve/insertKnot.js';
import { clampedUniformKnots, distinctKnots, domainOf, interiorKnots } from '../../src/curve/knotVector.js';
import { reduceDegree } from '../../src/curve/reduceDegree.js';
import { removeKnot } from '../../src/curve/removeKnot.js';
import { removableTimes } from '../../src/curve/needlessKnots.js';
import { mapDomain } from '../../src/curve/reparametrise.js';
import { validateCurve } from '../../src/curve/validate.js';
import { arbitraryCurve, arbitraryCurveAndParameter, sizeOf } from './arbitrary.js';
import { expectSameCurve } from './sameCurve.js';
import { holds } from '../holds.js';

const wave: Curve = {
  degree: 3,
  knots: clampedUniformKnots(8, 3),
  points: Array.from({ length: 8 }, (_, k) => [10 * k, 20 * Math.sin(k)]),
};

/** How far weights lie apart, by which homogeneous equations lose digits. */
const spread = ({ weights }: Curve): number => (weights ? Math.max(...weights) / Math.min(...weights) : 1);

describe('knot removal', () => {
  it('takes back an insertion, at any place and multiplicity', () => {
    holds(
      fc.property(arbitraryCurveAndParameter(), fc.integer({ min: 1, max: 9 }), ({ curve, u }, times) => {
        const [start, end] = domainOf(curve.knots, curve.degree);
        const near = 1e-3 * (end - start);
        const knots = distinctKnots(curve.knots, curve.degree);
        if (u - start < near || end - u < near) return;
        // Beside a knot the insertion leaves a span too short to tell its points apart.
        const known = knots.find(({ value }) => Math.abs(value - u) < near);
        const at = known?.value ?? u;
        const often = Math.min(times, curve.degree - (known?.multiplicity ?? 0));
        if (often < 1) return;
        const refined = insertKnot(curve, at, often);
        const { curve: back, deviation } = removeKnot(refined, at, often);
        validateCurve(back);
        expect(back.points).toHaveLength(curve.points.length);
        const tolerance = 1e-10 * sizeOf(curve) * Math.sqrt(spread(curve));
        expect(deviation.distance).toBeLessThan(tolerance);
        expectSameCurve(curve, back, undefined, tolerance / sizeOf(curve));
        expect(removableTimes(refined, at, tolerance)).toBeGreaterThanOrEqual(often);
      }),
    );
  });

  it('measures what it costs, keeps the ends, and touches only the neighbourhood', () => {
    const { curve, deviation } = removeKnot(wave, 0.4);
    validateCurve(curve);
    expect(deviation.distance).toBeGreaterThan(0.01);
    let largest = 0;
    for (let k = 0; k <= 2000; k++) {
      const [a, b] = [pointAt(wave, k / 2000), pointAt(curve, k / 2000)];
      largest = Math.max(largest, Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!));
    }
    expect(deviation.distance).toBeGreaterThanOrEqual(largest * (1 - 1e-9));
    expect(deviation.distance).toBeLessThan(largest * 1.001);
    expect(curve.points[0]).toEqual(wave.points[0]);
    expect(pointAt(curve, 1)).toEqual(pointAt(wave, 1));
    expect(removableTimes(wave, 0.4, deviation.distance * 1.01)).toBe(1);
    expect(removableTimes(wave, 0.4, deviation.distance * 0.99)).toBe(0);
  });

  it('refuses what is no knot, ends, and more times than it stands', () => {
    expect(() => removeKnot(wave, 0.3)).toThrow(/no knot/);
    expect(() => removeKnot(wave, 0)).toThrow(CurveError);
    expect(() => removeKnot(wave, 1)).toThrow(CurveError);
    expect(() => removeKnot(wave, NaN)).toThrow(CurveError);
    expect(() => removeKnot(wave, 0.4, 2)).toThrow(/multiplicity is 1/);
    expect(() => removableTimes(wave, 0.4, NaN)).toThrow(/tolerance/);
  });
});

/** Some curve of a degree with ends like another's: its points on simple knots. */
function reduceDegreeTo({ points }: Curve, degree: number): Curve {
  const enough = [...points, ...points, ...points, ...points].slice(0, Math.max(degree + 1, points.length));
  return { degree, knots: clampedUniformKnots(enough.length, degree), points: enough };
}

describe('degree reduction', () => {
  it('takes back an elevation', () => {
    holds(
      fc.property(arbitraryCurve(), fc.integer({ min: 1, max: 3 }), (curve, times) => {
        const raise = Math.min(times, 9 - curve.degree);
        if (raise < 1) return;
        const { curve: back, deviation } = reduceDegree(elevateDegree(curve, raise), raise);
        validateCurve(back);
        expect(back.degree).toBe(curve.degree);
        expect(interiorKnots(back.knots, back.degree)).toHaveLength(
          interiorKnots(curve.knots, curve.degree).length,
        );
        // Homogeneous coordinates of small weights carry the rounding of the large ones.
        const tolerance = 1e-10 * sizeOf(curve) * spread(curve);
        expect(deviation.distance).toBeLessThan(tolerance);
        expectSameCurve(curve, back, undefined, tolerance / sizeOf(curve));
      }),
    );
  });

  it('takes back an elevation of a curve with gaps, which stay', () => {
    holds(
      fc.property(
        fc.array(arbitraryCurve({ clampedOnly: true, dimension: 2, rational: false }), {
          minLength: 2,
          maxLength: 3,
        }),
        fc.integer({ min: 1, max: 3 }),
        (parts, degree) => {
          let start = 0;
          const same = parts.map((part) => {
            const low = reduceDegreeTo(part, degree);
            const mapped = mapDomain(low, start, start + 1);
            start += 1;
            return mapped;
          });
          const curve = joinedByGaps(same);
          validateCurve(curve);
          const { curve: back, deviation } = reduceDegree(elevateDegree(curve));
          expect(deviation.distance).toBeLessThan(1e-9 * sizeOf(curve));
          expectSameCurve(curve, back, undefined, 1e-9);
        },
      ),
    );
  });

  it('of what has no lower degree measures the distance and holds the ends', () => {
    const { curve, deviation } = reduceDegree(wave);
    validateCurve(curve);
    expect(curve.degree).toBe(2);
    expect(curve.points[0]).toEqual(wave.points[0]);
    expect(curve.points.at(-1)).toEqual(wave.points.at(-1));
    expect(deviation.distance).toBeGreaterThan(0.01);
    const line = reduceDegree(wave, 2);
    expect(line.deviation.distance).toBeGreaterThan(deviation.distance);
  });

  it('is the best quadratic of a cubic piece with held ends', () => {
    // The cubic t³ on [0, 1]: with held ends the error is a multiple of t (1 − t)(2t − 1).
    const cubic: Curve = {
      degree: 3,
      knots: clampedUniformKnots(4, 3),
      points: [
        [0, 0],
        [1 / 3, 0],
        [2 / 3, 0],
        [1, 1],
      ],
    };
    const { deviation } = reduceDegree(cubic);
    expect(deviation.distance).toBeCloseTo(Math.sqrt(3) / 36, 3);
  });

  it('refuses to go below degree 1', () => {
    expect(() => reduceDegree(wave, 3)).toThrow(/1 is the lowest/);
    expect(() => reduceDegree(wave, 0)).toThrow(CurveError);
  });
});
