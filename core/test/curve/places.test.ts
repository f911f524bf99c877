import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { enclosedArea } from '../../src/curve/area.js';
import { circularArc, exactCircle, exactEllipse } from '../../src/curve/circle.js';
import { closeCurve } from '../../src/curve/close.js';
import type { Curve, Point } from '../../src/curve/curve.js';
import { largestDeviation } from '../../src/curve/deviation.js';
import {
  curvatureAt,
  curvatureDerivativeAt,
  osculatingCircleAt,
  torsionAt,
} from '../../src/curve/differential.js';
import { CurveError } from '../../src/curve/error.js';
import { derivativesAt, pointAt } from '../../src/curve/evaluate.js';
import { boundingBox, curvatureExtremes, inflections } from '../../src/curve/features.js';
import { largestDistance } from '../../src/curve/hausdorff.js';
import { insertKnots } from '../../src/curve/insertKnot.js';
import { intersectCurves, intersectLine, selfIntersections } from '../../src/curve/intersect.js';
import { clampedUniformKnots, spansOf, domainOf } from '../../src/curve/knotVector.js';
import { reverseCurve } from '../../src/curve/reparametrise.js';
import { sampleCurve } from '../../src/curve/sample.js';
import { arbitraryCurve, sizeOf } from './arbitrary.js';
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
const loop: Curve = {
  degree: 3,
  knots: [0, 0, 0, 0, 1, 1, 1, 1],
  points: [
    [0, 0],
    [100, 80],
    [-40, 80],
    [60, 0],
  ],
};

describe('bounding boxes', () => {
  it('hold every point and touch the curve on every side', () => {
    holds(
      fc.property(arbitraryCurve(), (curve) => {
        const { low, high } = boundingBox(curve);
        const { coordinates, dimension } = sampleCurve(curve, 40);
        const size = sizeOf(curve);
        for (let axis = 0; axis < dimension; axis++) {
          let [smallest, largest] = [Infinity, -Infinity];
          for (let k = axis; k < coordinates.length; k += dimension) {
            smallest = Math.min(smallest, coordinates[k]!);
            largest = Math.max(largest, coordinates[k]!);
          }
          expect(smallest).toBeGreaterThanOrEqual(low[axis]! - 1e-11 * size);
          expect(largest).toBeLessThanOrEqual(high[axis]! + 1e-11 * size);
        }
      }),
    );
    const { low, high } = boundingBox(exactCircle({ ...place, centre: [3, 4] }, 'quadratic7'));
    expectClose(low, [-7, -6], 1e-14);
    expectClose(high, [13, 14], 1e-14);
  });
});

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

  it('and torsion of a helix-like curve are constant where they should be', () => {
    const circle = exactCircle(place, 'quadratic9');
    expect(curvatureAt(circle, 0.3)).toBeCloseTo(0.1, 13);
    expect(curvatureDerivativeAt(circle, 0.3)).toBeCloseTo(0, 13);
    expect(torsionAt(circle, 0.3)).toBe(0);
    expectClose(osculatingCircleAt(circle, 0.77)!.centre, [0, 0], 1e-12, 10);
    expect(osculatingCircleAt(circle, 0.77)!.radius).toBeCloseTo(10, 11);
    // The twisted cubic (t, t², t³) has torsion 3 / (9t⁴ + 9t² + 1).
    const twisted: Curve = {
      degree: 3,
      knots: [0, 0, 0, 0, 1, 1, 1, 1],
      points: [
        [0, 0, 0],
        [1 / 3, 0, 0],
        [2 / 3, 1 / 3, 0],
        [1, 1, 1],
      ],
    };
    for (const t of [0, 0.3, 0.8]) {
      expect(torsionAt(twisted, t)).toBeCloseTo(3 / (9 * t ** 4 + 9 * t ** 2 + 1), 12);
    }
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

  it('another curve: all places of two that weave through each other, to the last digits', () => {
    const other: Curve = { ...wave, points: wave.points.map(([x, y]) => [50 + 2 * y!, (x! - 50) / 2]) };
    const { places, overlapping } = intersectCurves(wave, other);
    expect(overlapping).toBe(false);
    places.forEach(({ parameters: [u, v], point }) => {
      expectClose(pointAt(wave, u), pointAt(other, v), 1e-12, 100);
      expectClose(point, pointAt(wave, u), 1e-12, 100);
    });
    // Counted by following one curve and watching the sign against a fine polygon of the other.
    let count = 0;
    const polygon = (curve: Curve): number[][] =>
      Array.from({ length: 3001 }, (_, k) => [...pointAt(curve, k / 3000)]);
    const [a, b] = [polygon(wave), polygon(other)];
    const side = (p: number[], q: number[], r: number[]): number =>
      (q[0]! - p[0]!) * (r[1]! - p[1]!) - (q[1]! - p[1]!) * (r[0]! - p[0]!);
    for (let i = 1; i < a.length; i += 1) {
      for (let j = 1; j < b.length; j += 1) {
        const [p, q, r, s] = [a[i - 1]!, a[i]!, b[j - 1]!, b[j]!];
        if (Math.abs(p[0]! - r[0]!) > 1 || Math.abs(p[1]! - r[1]!) > 1) continue;
        if (side(p, q, r) * side(p, q, s) < 0 && side(r, s, p) * side(r, s, q) < 0) count++;
      }
    }
    expect(places).toHaveLength(count);
    expect(count).toBeGreaterThan(6);
  });

  it('circles: crossing, touching, apart, and one on itself', () => {
    const circle = exactCircle(place, 'quadratic9');
    const shifted = (x: number, y = 0): Curve => exactCircle({ ...place, centre: [x, y] }, 'cubic7');
    const crossing = intersectCurves(circle, shifted(12, 3)).places;
    expect(crossing).toHaveLength(2);
    crossing.forEach(({ point }) => expect(Math.hypot(...point)).toBeCloseTo(10, 11));
    const touching = intersectCurves(circle, shifted(20)).places;
    expect(touching).toHaveLength(1);
    expectClose(touching[0]!.point, [10, 0], 1e-4);
    expect(intersectCurves(circle, shifted(21)).places).toHaveLength(0);
    expect(intersectCurves(circle, circle).overlapping).toBe(true);
    expect(intersectCurves(wave, insertKnots(wave, [0.1, 0.6])).overlapping).toBe(true);
  });

  it('itself: a loop, a figure of eight, and none where there is none', () => {
    const { places } = selfIntersections(loop);
    expect(places).toHaveLength(1);
    const [u, v] = places[0]!.parameters;
    expect(u).toBeLessThan(v);
    expectClose(pointAt(loop, u), pointAt(loop, v), 1e-12, 100);
    expect(selfIntersections(wave).places).toHaveLength(0);
    expect(selfIntersections(exactCircle(place, 'quintic6')).places).toHaveLength(0);
    const eight = closeCurve(
      {
        degree: 3,
        knots: clampedUniformKnots(4, 3),
        points: [
          [0, 0],
          [10, 10],
          [0, 10],
          [10, 0],
        ],
      },
      'wrap',
    );
    expect(selfIntersections(eight).places).toHaveLength(1);
  });

  it('ends and gives finite numbers on random curves', () => {
    holds(
      fc.property(arbitraryCurve({ dimension: 2 }), arbitraryCurve({ dimension: 2 }), (a, b) => {
        for (const { parameters, point } of intersectCurves(a, b).places) {
          expect([...parameters, ...point].every(Number.isFinite)).toBe(true);
          const size = Math.max(sizeOf(a), sizeOf(b));
          expectClose(pointAt(a, parameters[0]), pointAt(b, parameters[1]), 1e-8, size);
        }
      }),
      { numRuns: 40, interruptAfterTimeLimit: 20_000 },
    );
  });

  it('in space counts only real meetings', () => {
    const lift = (curve: Curve, z: number): Curve => ({
      ...curve,
      points: curve.points.map((p) => [...p, z]),
    });
    const line = lift(
      {
        degree: 1,
        knots: [0, 0, 1, 1],
        points: [
          [0, 20],
          [100, 20],
        ],
      },
      0,
    );
    expect(intersectCurves(lift(loop, 0), line).places.length).toBeGreaterThan(0);
    expect(intersectCurves(lift(loop, 1), line).places).toHaveLength(0);
    expect(() => intersectCurves(loop, line)).toThrow(CurveError);
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
