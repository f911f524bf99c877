import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { measureContinuity } from '../../src/curve/continuity.js';
import type { Point } from '../../src/curve/curve.js';
import { CurveError } from '../../src/curve/error.js';
import { derivativesAt, pointAt } from '../../src/curve/evaluate.js';
import { interpolate, interpolateClosed } from '../../src/curve/interpolate.js';
import { distinctPointCount } from '../../src/curve/periodic.js';
import { validateCurve } from '../../src/curve/validate.js';
import { expectClose } from './reference.js';
import { holds } from '../holds.js';

const pegs: Point[] = [
  [0, 0],
  [40, 70],
  [90, 80],
  [120, 30],
  [170, 20],
  [200, 60],
];

const arbitraryPoints = fc
  .array(
    fc.record({
      step: fc.double({ min: 1, max: 20, noNaN: true }),
      angle: fc.double({ min: 0, max: 6.2, noNaN: true }),
    }),
    { minLength: 3, maxLength: 20 },
  )
  .map((steps) => {
    const points: Point[] = [[0, 0]];
    for (const { step, angle } of steps) {
      const [x, y] = points.at(-1)! as [number, number];
      points.push([x + step * Math.cos(angle), y + step * Math.sin(angle)]);
    }
    return points;
  });

describe('interpolation with end conditions', () => {
  it('passes the points and keeps given derivatives at one end or both, at every degree', () => {
    for (let degree = 2; degree <= 9; degree++) {
      for (const which of ['start', 'end', 'both']) {
        const { curve, parameters } = interpolate(pegs, degree, {
          ...(which === 'end' ? {} : { start: { kind: 'derivative', derivative: [10, 300] } }),
          ...(which === 'start' ? {} : { end: { kind: 'derivative', derivative: [200, -50] } }),
        });
        validateCurve(curve);
        expect(curve.points).toHaveLength(pegs.length + (which === 'both' ? 2 : 1));
        pegs.forEach((peg, k) => expectClose(pointAt(curve, parameters[k]!), peg, 1e-10, 200));
        if (which !== 'end') expectClose(derivativesAt(curve, 0, 1)[1]!, [10, 300], 1e-10);
        if (which !== 'start') expectClose(derivativesAt(curve, 1, 1)[1]!, [200, -50], 1e-10);
      }
    }
  });

  it('with natural ends runs on straight, and as a cubic has its knots at the points', () => {
    const natural = { kind: 'natural' } as const;
    for (const degree of [3, 4, 5]) {
      const { curve, parameters } = interpolate(pegs, degree, { start: natural, end: natural });
      validateCurve(curve);
      pegs.forEach((peg, k) => expectClose(pointAt(curve, parameters[k]!), peg, 1e-10, 200));
      for (const u of [0, 1]) {
        expect(Math.hypot(...derivativesAt(curve, u, 2)[2]!)).toBeLessThan(1e-7);
      }
      if (degree === 3) expect(curve.knots.slice(4, -4)).toEqual(parameters.slice(1, -1));
    }
  });

  it('of two points with two derivatives is the cubic of Hermite', () => {
    const { curve } = interpolate(pegs.slice(0, 2), 3, {
      start: { kind: 'derivative', derivative: [30, 0] },
      end: { kind: 'derivative', derivative: [0, 30] },
    });
    expect(curve.points).toHaveLength(4);
    expectClose(curve.points[1]!, [10, 0], 1e-12);
    expectClose(curve.points[2]!, [40, 60], 1e-12);
  });

  it('takes given parameters, and refuses wrong ones', () => {
    const { curve } = interpolate(pegs, 3, { parameters: [0, 0.1, 0.5, 0.6, 0.9, 1] });
    expectClose(pointAt(curve, 0.5), pegs[2]!, 1e-12);
    const wrong =
      (parameters: number[]): (() => unknown) =>
      () =>
        interpolate(pegs, 3, { parameters });
    expect(wrong([0, 0.1, 0.5, 0.6, 0.9])).toThrow(CurveError);
    expect(wrong([0, 0.5, 0.1, 0.6, 0.9, 1])).toThrow(/Parameter 2/);
    expect(wrong([0, NaN, 0.1, 0.6, 0.9, 1])).toThrow(CurveError);
    expect(() => interpolate(pegs, 3, { start: { kind: 'derivative', derivative: [NaN, 1] } })).toThrow(
      CurveError,
    );
    expect(() => interpolate(pegs, 1, { start: { kind: 'natural' } })).toThrow(/degree 2/);
  });
});

describe('closed interpolation', () => {
  it('passes every point and is as smooth at the seam as elsewhere, at every degree', () => {
    holds(
      fc.property(arbitraryPoints, fc.integer({ min: 1, max: 5 }), (points, degree) => {
        const [first, last] = [points[0]!, points.at(-1)!];
        if (Math.hypot(first[0]! - last[0]!, first[1]! - last[1]!) < 1) return;
        const { curve, parameters } = interpolateClosed(points, degree, 'centripetal');
        validateCurve(curve);
        expect(curve.periodic).toBe(true);
        expect(distinctPointCount(curve)).toBe(points.length);
        const size = Math.max(...curve.points.flat().map(Math.abs));
        points.forEach((point, k) => expectClose(pointAt(curve, parameters[k]!), point, 1e-9, size));
        expectClose(pointAt(curve, 1), pointAt(curve, 0), 1e-12, size);
      }),
    );
  });

  it('is solved at degrees up to 9, with few points and with a thousand', () => {
    for (let degree = 1; degree <= 9; degree++) {
      for (const count of [2, 3, 4, 5, 12, 1000]) {
        const points = Array.from({ length: count }, (_, k): Point => [
          50 * Math.cos((2 * Math.PI * k) / count),
          30 * Math.sin((2 * Math.PI * k) / count + 0.2),
        ]);
        const { curve, parameters } = interpolateClosed(points, degree);
        points.forEach((point, k) => expectClose(pointAt(curve, parameters[k]!), point, 1e-9, 50));
        const seam = measureContinuity(curve).find(({ knot }) => knot === 0)!;
        expect(seam.parametric).toBeGreaterThanOrEqual(degree - 1);
      }
    }
  });

  it('refuses one point, and a last point on the first', () => {
    expect(() => interpolateClosed([[0, 0]], 3)).toThrow(CurveError);
    expect(() => interpolateClosed([...pegs, pegs[0]!], 3)).toThrow(/coincides with/);
  });
});
