import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { enclosedArea } from '../../src/curve/area.js';
import { circularArc, exactCircle, exactEllipse } from '../../src/curve/circle.js';
import type { Curve, Point } from '../../src/curve/curve.js';
import { largestDeviation } from '../../src/curve/deviation.js';
import { curvatureAt, curvatureDerivativeAt, osculatingCircleAt } from '../../src/curve/differential.js';
import { CurveError } from '../../src/curve/error.js';
import { derivativesAt } from '../../src/curve/evaluate.js';
import { curvatureExtremes, inflections } from '../../src/curve/features.js';
import { largestDistance } from '../../src/curve/hausdorff.js';
import { insertKnots } from '../../src/curve/insertKnot.js';
import { intersectLine } from '../../src/curve/intersectLine.js';
import { clampedUniformKnots, spansOf, domainOf } from '../../src/curve/knotVector.js';
import { reverseCurve } from '../../src/curve/reparametrise.js';
import { sampleCurve } from '../../src/curve/sample.js';
import { arbitraryCurve } from './arbitrary.js';
import { expectClose } from './reference.js';
import { holds } from '../holds.js';

const place = { centre: [0, 0], radius: 10, x: [1, 0], y: [0, 1] };
const wave: Curve = {
  degree: 3,
  knots: clampedUniformKnots(7, 3),
  points: [
    [0, 0],
    [10, 40],
    [30, -40],
    [50, 40],
    [70, -40],
    [90, 40],
    [100, 0],
  ],
};
describe('curvature', () => {
  it('has a derivative by arc length as differences say, in plane and space', () => {
    holds(
      fc.property(arbitraryCurve({ minimumDegree: 3, rational: false, clampedOnly: true }), (curve) => {
        const [start] = domainOf(curve.knots, curve.degree);
        const u = start + 0.02;
        const h = 1e-5;
        const speed = Math.hypot(...derivativesAt(curve, u, 1)[1]!);
        const [before, after] = [curvatureAt(curve, u - h), curvatureAt(curve, u + h)];
        const found = curvatureDerivativeAt(curve, u);
        if (speed < 10 || before === undefined || after === undefined || found === undefined) return;
        if (Math.abs(curvatureAt(curve, u)!) < 1e-3) return;
        const expected = (after - before) / (2 * h * speed);
        // Differences are themselves off where the curvature bends sharply.
        expect(Math.abs(found - expected)).toBeLessThan(1e-2 * Math.abs(found) + 1e-3);
      }),
    );
  });

  it('and its circle are constant where they should be', () => {
    const circle = exactCircle(place, 'quadratic9');
    expect(curvatureAt(circle, 0.3)).toBeCloseTo(0.1, 13);
    expect(curvatureDerivativeAt(circle, 0.3)).toBeCloseTo(0, 13);
    expectClose(osculatingCircleAt(circle, 0.77)!.centre, [0, 0], 1e-12, 10);
    expect(osculatingCircleAt(circle, 0.77)!.radius).toBeCloseTo(10, 11);
    const line: Curve = {
      degree: 1,
      knots: [0, 0, 1, 1],
      points: [
        [0, 0],
        [1, 1],
      ],
    };
    expect(osculatingCircleAt(line, 0.5)).toBeUndefined();
  });

  it('has inflections where it changes sign, all of them', () => {
    holds(
      fc.property(
        fc.integer({ min: 2, max: 5 }),
        fc.array(fc.tuple(fc.integer({ min: 5, max: 20 }), fc.integer({ min: -40, max: 40 })), {
          minLength: 6,
          maxLength: 14,
        }),
        (degree, steps) => {
          // Always onwards, so that it never stands still, and of whole numbers, so that straight is straight.
          let x = 0;
          const points = steps.map(([dx, y]): Point => [(x += dx), y]);
          const curve: Curve = { degree, knots: clampedUniformKnots(points.length, degree), points };
          const found = inflections(curve).map(({ parameter }) => parameter);
          const { curvature, parameters, perSpan } = sampleCurve(curve, 50);
          for (let k = 1; k < curvature.length; k++) {
            if (k % (perSpan + 1) === 0) continue;
            const [before, after] = [curvature[k - 1]!, curvature[k]!];
            if (before * after >= 0 || Math.min(Math.abs(before), Math.abs(after)) < 1e-9) continue;
            const [from, to] = [parameters[k - 1]!, parameters[k]!];
            expect(found.some((u) => u >= from && u <= to)).toBe(true);
          }
          found.forEach((u) => {
            const [before, after] = [curvatureAt(curve, u - 1e-5), curvatureAt(curve, u + 1e-5)];
            expect(before! * after!).toBeLessThan(1e-12);
          });
        },
      ),
    );
    expect(inflections(wave)).toHaveLength(4);
    expect(inflections(exactCircle(place, 'cubic7'))).toHaveLength(0);
    expect(() => inflections({ ...wave, points: wave.points.map((p) => [...p, 1]) })).toThrow(CurveError);
  });

  it('of an ellipse is largest and smallest at its four vertices', () => {
    for (const layout of ['quadratic7', 'quintic6'] as const) {
      const ellipse = exactEllipse([0, 0], [50, 0], [0, 20], layout);
      const places = curvatureExtremes(ellipse);
      const inside = places.filter(({ parameter }) => parameter > 1e-3 && parameter < 0.999);
      inside.forEach(({ point, curvature, kind }) => {
        if (kind === 'largest') {
          expect(Math.abs(curvature)).toBeCloseTo(50 / 400, 9);
          expect(Math.abs(point[0]!)).toBeCloseTo(50, 6);
        } else {
          expect(Math.abs(curvature)).toBeCloseTo(20 / 2500, 9);
          expect(Math.abs(point[1]!)).toBeCloseTo(20, 6);
        }
      });
      expect(inside.length).toBeGreaterThanOrEqual(layout === 'quintic6' ? 3 : 2);
    }
    expect(curvatureExtremes(circularArc(place, 0.2, 1))).toHaveLength(0);
  });

  it('has extremes wherever samples rise and fall, rational or not', () => {
    holds(
      fc.property(arbitraryCurve({ minimumDegree: 3 }), (curve) => {
        const found = curvatureExtremes(curve);
        found.forEach(({ parameter, curvature }) => {
          expect(Number.isFinite(parameter + curvature)).toBe(true);
        });
      }),
      { numRuns: 60 },
    );
    const peaks = curvatureExtremes(wave).filter(({ kind }) => kind === 'largest');
    const { curvature, perSpan } = sampleCurve(wave, 400);
    let rises = 0;
    for (let k = 1; k < curvature.length - 1; k++) {
      if (k % (perSpan + 1) < 1 || k % (perSpan + 1) > perSpan - 1) continue;
      const [a, b, c] = [curvature[k - 1]!, curvature[k]!, curvature[k + 1]!].map(Math.abs) as [
        number,
        number,
        number,
      ];
      if (b > a && b > c) rises++;
    }
    expect(peaks).toHaveLength(rises);
  });
});

describe('area', () => {
  it('of circles, of a square, and with a sign', () => {
    for (const layout of ['quadratic9', 'cubic7', 'quintic6'] as const) {
      const area = enclosedArea(exactCircle({ ...place, centre: [1000, 2] }, layout));
      expect(area / (100 * Math.PI)).toBeCloseTo(1, 12);
    }
    const square: Curve = {
      degree: 1,
      knots: [0, 0, 1, 2, 3, 3],
      points: [
        [0, 0],
        [4, 0],
        [4, 4],
        [0, 4],
      ],
    };
    expect(enclosedArea(square)).toBeCloseTo(16, 13);
    expect(enclosedArea(reverseCurve(square))).toBeCloseTo(-16, 13);
    expect(() => enclosedArea({ ...square, points: square.points.map((p) => [...p, 0]) })).toThrow(
      CurveError,
    );
  });
});

describe('meeting', () => {
  it('a line: every crossing and touching', () => {
    const found = intersectLine(wave, [
      [0, 0],
      [1, 0],
    ]);
    expect(found).toHaveLength(6);
    found.forEach(({ point, along }) => {
      expect(Math.abs(point[1]!)).toBeLessThan(1e-12);
      expect(along).toBeCloseTo(point[0]!, 10);
    });
    expect(
      intersectLine(
        wave,
        [
          [0, 0],
          [50, 0],
        ],
        true,
      ).length,
    ).toBeLessThan(6);
    const circle = exactCircle(place, 'quadratic7');
    expect(
      intersectLine(circle, [
        [-20, 5],
        [20, 5],
      ]),
    ).toHaveLength(2);
    expect(
      intersectLine(circle, [
        [-20, 11],
        [20, 11],
      ]),
    ).toHaveLength(0);
    expect(() =>
      intersectLine(wave, [
        [1, 1],
        [1, 1],
      ]),
    ).toThrow(CurveError);
    expect(() =>
      intersectLine(wave, [
        [1, 1],
        [NaN, 1],
      ]),
    ).toThrow(CurveError);
  });
});

describe('extremes of curvature with uneven weights', () => {
  it('are found wherever the change of curvature changes its sign', () => {
    holds(
      fc.property(
        fc.integer({ min: 2, max: 4 }),
        fc.array(
          fc.tuple(
            fc.integer({ min: 0, max: 100 }),
            fc.integer({ min: 0, max: 100 }),
            fc.double({ min: -3, max: 3, noNaN: true }),
          ),
          { minLength: 5, maxLength: 6 },
        ),
        (degree, entries) => {
          const curve: Curve = {
            degree,
            knots: clampedUniformKnots(entries.length, degree),
            points: entries.map(([x, y]) => [x, y]),
            weights: entries.map(([, , exponent]) => 10 ** exponent),
          };
          const found = curvatureExtremes(curve).map(({ parameter }) => parameter);
          for (const { index, start, end } of spansOf(curve.knots, degree)) {
            const own = curve.points.slice(index - degree, index + 1) as [number, number][];
            const turns = own.slice(2).map((c, k) => {
              const [a, b] = [own[k]!, own[k + 1]!];
              return (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
            });
            // Where three points in a row lie on one line, curvature may be rounding alone.
            if (turns.includes(0)) continue;
            const places = Array.from({ length: 600 }, (_, k) => {
              const share = 1 / (1 + 10 ** (5 - (10 * (k + 0.5)) / 600));
              return start + share * (end - start);
            });
            const changes = places.map((u) => curvatureDerivativeAt(curve, u) ?? 0);
            const largest = Math.max(...changes.map(Math.abs));
            for (let k = 2; k < places.length - 2; k++) {
              const [a, b] = [changes[k]!, changes[k + 1]!];
              // Clear of rounding on both sides, and of places where the curve turns at once.
              const clear = [changes[k - 2]!, changes[k - 1]!, changes[k + 2]!].every(
                (c) => Math.abs(c) > 1e-7 * largest,
              );
              const isChange =
                a * b < 0 && changes[k - 1]! * a > 0 && changes[k - 2]! * a > 0 && changes[k + 2]! * b > 0;
              if (!clear || !isChange || Math.abs(a - b) > 0.3 * largest) continue;
              const near = found.some((u) => u >= places[k - 1]! && u <= places[k + 2]!);
              expect(near, `${places[k]!} of ${JSON.stringify(curve)}`).toBe(true);
            }
          }
        },
      ),
    );
  });
});

describe('the largest distance', () => {
  it('of two circles about one centre is the difference of their radii', () => {
    const outer = exactCircle({ ...place, radius: 12 }, 'quadratic7');
    const found = largestDistance(exactCircle(place, 'quadratic9'), outer);
    expect(found.atLeast).toBeCloseTo(2, 12);
    // A bound, where all of a curve lies as far away as any of it.
    expect(found.distance).toBeGreaterThanOrEqual(found.atLeast);
    expect(found.distance).toBeCloseTo(2, 9);
    expectClose(
      found.onFirst.map((c) => c * 1.2),
      found.onSecond,
      1e-9,
    );
  });

  it('is symmetric, does not see the parameter, and is never below any sample', () => {
    const other: Curve = { ...wave, points: wave.points.map(([x, y], k) => [x!, y! + (k === 3 ? 9 : 0)]) };
    const [there, back] = [largestDistance(wave, other), largestDistance(other, wave)];
    expect(there.distance).toBeCloseTo(back.distance, 9);
    expect(largestDistance(wave, reverseCurve(insertKnots(wave, [0.2, 0.3]))).distance).toBeLessThan(1e-9);
    expect(there.distance).toBeLessThanOrEqual(largestDeviation(wave, other).distance + 1e-9);
    expect(there.distance).toBeGreaterThan(1);
    expect(() => largestDistance(wave, { ...wave, points: wave.points.map((p) => [...p, 0]) })).toThrow(
      CurveError,
    );
  });
});
