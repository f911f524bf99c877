import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { continueAtKnot } from '../../src/curve/continueAtKnot.js';
import { measureContinuity } from '../../src/curve/continuity.js';
import { CurveError } from '../../src/curve/error.js';
import { pointAt } from '../../src/curve/evaluate.js';
import { interiorKnots } from '../../src/curve/knotVector.js';
import type { JointContinuity } from '../../src/curve/match.js';
import { periodicCurve } from '../../src/curve/periodic.js';
import { validateCurve } from '../../src/curve/validate.js';
import { arbitraryCurve } from './arbitrary.js';
import { expectSameCurve } from './sameCurve.js';
import { holds } from '../holds.js';

const loose = { position: 1e-7, direction: 1e-5, relative: 1e-4 };

describe('continuity at a knot', () => {
  it('is what was asked for when it is measured, and what lies before the knot stays', () => {
    let reached = 0;
    holds(
      fc.property(
        arbitraryCurve(),
        fc.nat(),
        fc.constantFrom<JointContinuity>('G0', 'G1', 'G2', 'C1', 'C2'),
        (curve, pick, continuity) => {
          const inner = interiorKnots(curve.knots, curve.degree);
          if (inner.length === 0) return;
          const { value } = inner[pick % inner.length]!;
          let made;
          try {
            made = continueAtKnot(curve, value, continuity);
          } catch (error) {
            expect(error).toBeInstanceOf(CurveError);
            return;
          }
          reached++;
          validateCurve(made.curve);
          const start = curve.knots[curve.degree]!;
          // What lies after a knot of a periodic curve comes before it again.
          for (const share of curve.periodic ? [] : [0, 0.3, 0.9]) {
            const u = start + share * (value - start);
            const [a, b] = [pointAt(curve, u), pointAt(made.curve, u)];
            const size = Math.max(1, ...curve.points.flat().map(Math.abs));
            a.forEach((x, axis) => expect(Math.abs(x - b[axis]!)).toBeLessThan(1e-6 * size));
          }
          const there = measureContinuity(made.curve, loose).find(({ knot }) => knot === value);
          const order = Number(continuity[1]);
          if (order > 1 || !there) return;
          const measured = continuity.startsWith('C') ? there.parametric : there.geometric;
          expect(measured).toBeGreaterThanOrEqual(order);
        },
      ),
      { numRuns: 200 },
    );
    expect(reached).toBeGreaterThan(20);
  });

  const corner = {
    degree: 3,
    knots: [0, 0, 0, 0, 1, 1, 1, 2, 2, 2, 2],
    points: [
      [0, 0],
      [10, 30],
      [30, 40],
      [50, 30],
      [60, 60],
      [90, 50],
      [100, 0],
    ],
  };

  it('goes from a corner to C2 by moving two points, and takes out the knots that are no longer needed', () => {
    const { curve, largestMove } = continueAtKnot(corner, 1, 'C2');
    expect(largestMove).toBeGreaterThan(10);
    expect(interiorKnots(curve.knots, 3)).toMatchObject([{ value: 1, multiplicity: 1 }]);
    expect(measureContinuity(curve)[0]).toMatchObject({ parametric: 2 });
  });

  it('keeps the shape where a corner is only made possible', () => {
    const { curve } = continueAtKnot(corner, 1, 'C2');
    const { curve: free, largestMove } = continueAtKnot(curve, 1, 'G0');
    expect(largestMove).toBe(0);
    expect(interiorKnots(free.knots, 3)).toMatchObject([{ value: 1, multiplicity: 3 }]);
    expectSameCurve(curve, free);
  });

  it('says why not where there is no knot, or the degree is too low', () => {
    expect(() => continueAtKnot(corner, 0.5, 'G1')).toThrow(/no knot 0.5/);
    const stairs = { degree: 1, knots: [0, 0, 1, 2, 2], points: corner.points.slice(0, 3) };
    expect(() => continueAtKnot(stairs, 1, 'G2')).toThrow(/degree/);
  });

  it('on a closed curve makes a corner and smooths it again, and the curve stays closed', () => {
    const places = [
      [0, 0],
      [50, -10],
      [90, 30],
      [60, 80],
      [10, 70],
      [-20, 40],
    ];
    const ring = periodicCurve(3, places);
    const start = ring.knots[3]!;
    for (const knot of [start, ring.knots[5]!]) {
      const { curve: free, largestMove } = continueAtKnot(ring, knot, 'G0');
      expect(largestMove).toBe(0);
      expect(free.periodic).toBe(true);
      expectSameCurve(ring, free, (u) => u, 1e-9);
      const at = measureContinuity(free).find((one) => Math.abs(one.knot - knot) < 1e-9)!;
      expect(at.multiplicity).toBe(3);
      const smooth = continueAtKnot(free, knot, 'C2').curve;
      expect(smooth.periodic).toBe(true);
      expectSameCurve(ring, smooth, (u) => u, 1e-6);
    }
    expect(() => continueAtKnot(ring, start + 1e-3, 'G1')).toThrow(/no knot/);
  });
});
