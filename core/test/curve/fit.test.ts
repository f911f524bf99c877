import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arcLengthTable } from '../../src/curve/arcLength.js';
import type { Curve, Point } from '../../src/curve/curve.js';
import { CurveError } from '../../src/curve/error.js';
import { pointAt } from '../../src/curve/evaluate.js';
import { fitCurveToTolerance } from '../../src/curve/fitCurve.js';
import { fitPoints, fitPointsToTolerance, fitStroke } from '../../src/curve/fitPoints.js';
import { insertKnots } from '../../src/curve/insertKnot.js';
import { clampedUniformKnots, domainOf, spansOf } from '../../src/curve/knotVector.js';
import { lengthOfCurve } from '../../src/curve/length.js';
import { nearestPoint } from '../../src/curve/nearest.js';
import { distinctPointCount, periodicCurve } from '../../src/curve/periodic.js';
import { refitCurve } from '../../src/curve/refit.js';
import { validateCurve } from '../../src/curve/validate.js';
import { arbitraryCurve, sizeOf } from './arbitrary.js';
import { bout } from './bout.js';
import { holds } from '../holds.js';

/** Noise that repeats, so that a failure can be looked at. */
function noise(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 1103515245 + 12345) % 2147483648;
    return state / 2147483648 - 0.5;
  };
}

describe('fitting to a tolerance', () => {
  const wave = (count: number, degree: number): Curve => ({
    degree,
    knots: clampedUniformKnots(count, degree),
    points: Array.from({ length: count }, (_, k) => [
      20 * k,
      40 * Math.sin(1.3 * k) + 10 * Math.cos(2.7 * k),
    ]),
  });
  const tolerances = [10, 3, 1, 0.3, 0.1, 0.05, 0.01, 0.005];

  it('takes the source itself where it is the fewest', () => {
    for (const tolerance of [0.1, 0.05, 0.01, 0.005]) {
      const { curve, reached } = fitCurveToTolerance(wave(12, 3), 3, tolerance);
      expect(reached).toBe(true);
      expect(curve.points.length).toBeLessThanOrEqual(12);
    }
  });

  it.each([
    ['a cubic', wave(12, 3), 3],
    ['a cubic by quartics', wave(12, 3), 4],
    ['a cubic by quadratics', wave(9, 3), 2],
    ['a quintic', wave(20, 5), 3],
    [
      'a curve with corners',
      { ...wave(10, 3), knots: [0, 0, 0, 0, 0.3, 0.3, 0.3, 0.7, 0.7, 0.8, 1, 1, 1, 1] },
      3,
    ],
    ['with weights', { ...wave(10, 3), weights: [1, 3, 1, 0.2, 1, 1, 5, 1, 1, 1] }, 3],
    ['periodic', periodicCurve(3, wave(9, 3).points), 3],
  ] as const)('of %s costs no more points with more tolerance, and keeps it', (_, curve, degree) => {
    let before = 0;
    for (const tolerance of tolerances) {
      const fit = fitCurveToTolerance(curve, degree, tolerance);
      validateCurve(fit.curve);
      expect(fit.reached, String(tolerance)).toBe(true);
      expect(fit.deviation.distance).toBeLessThanOrEqual(tolerance);
      expect(fit.curve.points.length, String(tolerance)).toBeGreaterThanOrEqual(before);
      before = fit.curve.points.length;
    }
  });
});

describe('refitting', () => {
  it('gives a curve back that has the degree and evenly spaced spans that are asked for', () => {
    const even: Curve = { ...bout, knots: clampedUniformKnots(7, 3) };
    const { curve, deviation } = refitCurve(insertKnots(even, [0.1, 0.35, 0.9]), 3, 4);
    expect(deviation.distance).toBeLessThan(1e-11);
    curve.points.forEach((point, k) =>
      point.forEach((value, axis) => expect(value).toBeCloseTo(even.points[k]![axis]!, 9)),
    );
  });

  it('keeps ends, degree and spans, and comes nearer with every doubling', () => {
    for (const degree of [1, 2, 3, 5, 9]) {
      let before = Infinity;
      for (const spans of [1, 2, 4, 8, 16, 32]) {
        const { curve, deviation } = refitCurve(bout, degree, spans);
        validateCurve(curve);
        expect(curve.degree).toBe(degree);
        expect(spansOf(curve.knots, degree)).toHaveLength(spans);
        expect(curve.points[0]).toEqual([0, 0]);
        expect(curve.points.at(-1)).toEqual([200, 0]);
        expect(deviation.distance).toBeLessThan(before * 1.2 + 1e-9);
        before = deviation.distance;
      }
      expect(before, String(degree)).toBeLessThan(0.3);
    }
  });

  it('keeps a periodic curve periodic', () => {
    const ring = periodicCurve(3, [
      [0, 0],
      [40, 5],
      [50, 40],
      [10, 50],
      [-10, 20],
    ]);
    const { curve, deviation } = refitCurve(ring, 4, 12);
    validateCurve(curve);
    expect(curve.periodic).toBe(true);
    expect(distinctPointCount(curve)).toBe(12);
    expect(deviation.distance).toBeLessThan(0.1);
  });

  it('works on any curve and refuses numbers of spans that make no sense', () => {
    holds(
      fc.property(
        arbitraryCurve(),
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 2, max: 6 }),
        (curve, degree, spans) => {
          const fitted = refitCurve(curve, degree, spans);
          validateCurve(fitted.curve);
          expect(fitted.deviation.distance).toBeLessThanOrEqual(100 * sizeOf(curve));
        },
      ),
      { numRuns: 40 },
    );
    expect(() => refitCurve(bout, 3, 0)).toThrow(CurveError);
    expect(() => refitCurve(bout, 3, 2.5)).toThrow(CurveError);
    expect(() => refitCurve(bout, 12, 2)).toThrow(/degree/);
  });
});

describe('fitting to a tolerance', () => {
  it('stays within it, and costs fewer spans the more is allowed', () => {
    let before = Infinity;
    for (const tolerance of [0.01, 0.1, 1, 5]) {
      const { curve, deviation, reached } = fitCurveToTolerance(bout, 3, tolerance);
      expect(reached).toBe(true);
      expect(deviation.distance).toBeLessThanOrEqual(tolerance);
      const spans = spansOf(curve.knots, 3).length;
      expect(spans).toBeLessThanOrEqual(before);
      before = spans;
    }
    expect(before).toBeLessThanOrEqual(3);
  });

  it('finds the single span that a curve cut in many has', () => {
    const single: Curve = { ...bout, knots: clampedUniformKnots(4, 3), points: bout.points.slice(0, 4) };
    const many = insertKnots(single, [0.1, 0.2, 0.4, 0.5, 0.77]);
    const { curve } = fitCurveToTolerance(many, 3, 1e-6);
    expect(spansOf(curve.knots, 3)).toHaveLength(1);
  });

  it('reaches any tolerance for a stroke of few points, since a curve through all exists', () => {
    const pairs = Array.from({ length: 20 }, (_, k): Point => [10 * k, k % 4 < 2 ? 0 : 30]);
    expect(fitStroke(pairs, 1)).toMatchObject({ reached: true });
    holds(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 200 }), fc.integer({ min: 0, max: 200 })), {
          minLength: 2,
          maxLength: 40,
        }),
        fc.double({ min: 0.1, max: 20, noNaN: true }),
        (points, tolerance) => {
          if (points.every((point) => point[0] === points[0]![0] && point[1] === points[0]![1])) return;
          const { reached, deviation, curve } = fitStroke(points, tolerance);
          validateCurve(curve);
          expect(reached).toBe(true);
          expect(deviation).toBeLessThanOrEqual(tolerance);
        },
      ),
    );
  });

  it('of points takes few spans and says how far the worst point lies', () => {
    const points = Array.from({ length: 300 }, (_, k): Point => pointAt(bout, k / 299));
    const { curve, deviation, reached, parameters, worst } = fitPointsToTolerance(points, 3, 0.05);
    validateCurve(curve);
    expect(reached).toBe(true);
    expect(deviation).toBeLessThanOrEqual(0.05);
    expect(spansOf(curve.knots, 3).length).toBeLessThanOrEqual(10);
    parameters.forEach((u, k) => k > 0 && expect(u).toBeGreaterThanOrEqual(parameters[k - 1]!));
    const distances = points.map((point) => nearestPoint(curve, point).distance);
    expect(Math.max(...distances)).toBeLessThanOrEqual(deviation + 1e-9);
    expect(worst).toBeLessThan(points.length);
  });

  it('turns a trembling stroke of thousands of points into few', () => {
    const random = noise(7);
    const points: Point[] = [];
    for (let u = 0; u < 1; u += 0.0001 + 0.0004 * (random() + 0.5)) {
      const [x, y] = pointAt(bout, u) as [number, number];
      points.push([x + 0.4 * random(), y + 0.4 * random()]);
      if (points.length % 50 === 0) points.push(points.at(-1)!);
    }
    expect(points.length).toBeGreaterThan(2500);
    const { curve, reached, deviation } = fitStroke(points, 0.6);
    expect(reached).toBe(true);
    expect(deviation).toBeLessThanOrEqual(0.6);
    expect(curve.points.length).toBeLessThan(20);
    expect(curve.points[0]).toEqual(points[0]);
    expect(curve.points.at(-1)).toEqual(points.at(-1));
  });

  it('of a stroke keeps the tolerance for every point of it, and never tells less than the largest distance', () => {
    holds(
      fc.property(
        fc.integer({ min: 1, max: 1e6 }),
        fc.constantFrom(0.05, 0.3, 1, 4),
        fc.double({ min: 0, max: 2, noNaN: true }),
        fc.integer({ min: 1, max: 5 }),
        (seed, tolerance, tremble, degree) => {
          const random = noise(seed);
          const points: Point[] = [];
          for (let u = 0; u < 1; u += 0.002 + 0.008 * (random() + 0.5)) {
            const [x, y] = pointAt(bout, u) as [number, number];
            points.push([x + tremble * random(), y + tremble * random()]);
          }
          const {
            curve,
            deviation,
            reached,
            parameters,
            points: used,
          } = fitStroke(points, tolerance, degree);
          validateCurve(curve);
          expect(used).toEqual(points);
          expect(parameters).toHaveLength(points.length);
          expect(reached).toBe(deviation <= tolerance);
          const largest = Math.max(...points.map((point) => nearestPoint(curve, point).distance));
          expect(largest).toBeLessThanOrEqual(deviation + 1e-9);
          // What is told is no guess from far above.
          expect(deviation).toBeLessThanOrEqual(1.5 * largest + 0.1 * tolerance);
          // Without a tremble every tolerance can be kept.
          if (tremble < tolerance / 4 && degree > 1) expect(reached).toBe(true);
        },
      ),
      { numRuns: 25 },
    );
  });

  it('says that a tolerance below the tremble was not reached, and ends', () => {
    const random = noise(3);
    // More points than a curve may have spans; through fewer one is always found.
    const points = Array.from({ length: 600 }, (_, k): Point => [k, 5 * random()]);
    const { reached, curve } = fitPointsToTolerance(points, 3, 1e-9);
    expect(reached).toBe(false);
    validateCurve(curve);
  });

  it('of two points is a line, and bad input has its error', () => {
    expect(
      fitStroke(
        [
          [0, 0],
          [0, 0],
          [5, 5],
        ],
        0.1,
      ).curve.points,
    ).toEqual([
      [0, 0],
      [5, 5],
    ]);
    expect(() => fitStroke([[0, 0]], 1)).toThrow(CurveError);
    expect(() =>
      fitStroke(
        [
          [1, 1],
          [1, 1],
        ],
        1,
      ),
    ).toThrow(/coincide/);
    expect(() => fitPointsToTolerance(bout.points, 3, 0)).toThrow(/tolerance/);
    expect(() =>
      fitPointsToTolerance(
        [
          [0, 0],
          [NaN, 1],
        ],
        3,
        1,
      ),
    ).toThrow(CurveError);
    expect(() => fitPoints(bout.points, [0, 1], clampedUniformKnots(4, 3), 3)).toThrow(/parameters/);
    expect(() =>
      fitPoints(
        bout.points,
        bout.points.map((_, k) => k / 6),
        clampedUniformKnots(40, 3),
        3,
      ),
    ).toThrow(/do not determine/);
  });
});

describe('arc length', () => {
  it('and parameter are each other’s inverse, and add up to the length', () => {
    holds(
      fc.property(arbitraryCurve(), fc.double({ min: 0, max: 1, noNaN: true }), (curve, t) => {
        const table = arcLengthTable(curve);
        expect(Math.abs(table.length - lengthOfCurve(curve))).toBeLessThanOrEqual(1e-9 * table.length + 1e-9);
        const [start, end] = domainOf(curve.knots, curve.degree);
        expect(table.lengthAt(start)).toBe(0);
        expect(table.lengthAt(end)).toBe(table.length);
        const length = t * table.length;
        const u = table.parameterAt(length);
        // A place where the curve almost stands still has many parameters for one length.
        expect(Math.abs(table.lengthAt(u) - length)).toBeLessThanOrEqual(1e-9 * table.length + 1e-12);
      }),
      { numRuns: 60 },
    );
  });

  it('refuses what lies outside', () => {
    const table = arcLengthTable(bout);
    expect(() => table.lengthAt(1.1)).toThrow(CurveError);
    expect(() => table.lengthAt(NaN)).toThrow(CurveError);
    expect(() => table.parameterAt(-1)).toThrow(CurveError);
    expect(() => table.parameterAt(NaN)).toThrow(CurveError);
  });
});
