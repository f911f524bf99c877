import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { guaranteedContinuity, knotJumps } from '../../src/curve/continuity.js';
import type { Curve, Point } from '../../src/curve/curve.js';
import { decompose } from '../../src/curve/decompose.js';
import { elevateDegree } from '../../src/curve/elevateDegree.js';
import { CurveError } from '../../src/curve/error.js';
import { pointAt } from '../../src/curve/evaluate.js';
import { joinCurves } from '../../src/curve/join.js';
import { domainOf, spansOf } from '../../src/curve/knotVector.js';
import { mapDomain, reverseCurve } from '../../src/curve/reparametrise.js';
import { clampEnds, extractPart, splitCurve } from '../../src/curve/split.js';
import { validateCurve } from '../../src/curve/validate.js';
import { arbitraryCurve, arbitraryCurveAndParameter, sizeOf } from './arbitrary.js';
import { expectClose, referenceCases } from './reference.js';
import { expectSameCurve, expectSamePlace } from './sameCurve.js';
import { holds } from '../holds.js';

describe('splitting', () => {
  it('gives two clamped curves that are the curve', () => {
    holds(
      fc.property(arbitraryCurveAndParameter(), ({ curve, u }) => {
        const [start, end] = domainOf(curve.knots, curve.degree);
        const tolerance = 2e-9 * (end - start);
        if (u - start < tolerance || end - u < tolerance) return;
        const parts = splitCurve(curve, u);
        for (const part of parts) {
          validateCurve(part);
          expectSameCurve(part, curve);
        }
        expect(domainOf(parts[0].knots, curve.degree)[0]).toBe(start);
        expect(domainOf(parts[1].knots, curve.degree)[1]).toBe(end);
      }),
    );
  });

  it('and joining again gives the curve back', () => {
    holds(
      fc.property(arbitraryCurveAndParameter(), ({ curve, u }) => {
        const [start, end] = domainOf(curve.knots, curve.degree);
        if (u - start < 1e-3 || end - u < 1e-3) return;
        const [first, second] = splitCurve(curve, u);
        const joined = joinCurves(first, second, 1e-9 * sizeOf(curve));
        validateCurve(joined);
        expectSameCurve(joined, curve, (v) => Math.min(end, v));
      }),
    );
  });

  it('takes parts and clamps ends, and refuses what has no length', () => {
    holds(
      fc.property(arbitraryCurve(), (curve) => {
        const [start, end] = domainOf(curve.knots, curve.degree);
        const part = extractPart(curve, start + 0.2 * (end - start), start + 0.7 * (end - start));
        validateCurve(part);
        expectSameCurve(part, curve);
        const clamped = clampEnds(curve);
        expectSameCurve(clamped, curve);
        expect(clampEnds(clamped)).toBe(clamped);
        expect(() => extractPart(curve, start, start)).toThrow(CurveError);
        expect(() => extractPart(curve, end, start)).toThrow(CurveError);
        expect(() => splitCurve(curve, start)).toThrow(CurveError);
        expect(() => splitCurve(curve, NaN)).toThrow(CurveError);
      }),
    );
  });

  it('at a gap gives each side its own end', () => {
    const gap: Curve = {
      degree: 1,
      knots: [0, 0, 1, 1, 2, 2],
      points: [
        [0, 0],
        [1, 0],
        [1, 3],
        [2, 3],
      ],
    };
    const [before, after] = splitCurve(gap, 1);
    expect(before.points).toEqual([
      [0, 0],
      [1, 0],
    ]);
    expect(after.points).toEqual([
      [1, 3],
      [2, 3],
    ]);
  });
});

describe('reversing and mapping the domain', () => {
  it('runs the same curve the other way, and twice is the curve itself', () => {
    holds(
      fc.property(arbitraryCurve(), (curve) => {
        const [start, end] = domainOf(curve.knots, curve.degree);
        const reversed = reverseCurve(curve);
        validateCurve(reversed);
        const back = (u: number): number => Math.min(end, Math.max(start, start + end - u));
        // Near a knot the rounding of a + b − u may fall on its other side, where a gap would begin.
        for (const { start: from, end: to } of spansOf(curve.knots, curve.degree)) {
          const u = (from + to) / 2;
          expectSamePlace(curve, u, reversed, back(u));
        }
        const twice = reverseCurve(reversed);
        expect(twice.points).toEqual(curve.points);
        twice.knots.forEach((knot, index) => expect(knot).toBeCloseTo(curve.knots[index]!, 12));
      }),
    );
  });

  it('keeps the points and the repeats of knots on another domain', () => {
    holds(
      fc.property(arbitraryCurve(), (curve) => {
        const [start, end] = domainOf(curve.knots, curve.degree);
        const mapped = mapDomain(curve, -3, 11);
        validateCurve(mapped);
        expect(domainOf(mapped.knots, curve.degree)).toEqual([-3, 11]);
        expect(guaranteedContinuity(mapped).map(({ order }) => order)).toEqual(
          guaranteedContinuity(curve).map(({ order }) => order),
        );
        for (const { start: from, end: to } of spansOf(curve.knots, curve.degree)) {
          const u = (from + to) / 2;
          expectSamePlace(curve, u, mapped, -3 + (14 * (u - start)) / (end - start));
        }
      }),
    );
    expect(() =>
      mapDomain(
        {
          degree: 1,
          knots: [0, 0, 1, 1],
          points: [
            [0, 0],
            [1, 1],
          ],
        },
        2,
        2,
      ),
    ).toThrow(CurveError);
  });
});

interface RaisedCase {
  curve: Curve;
  raisedPieces: { points: Point[]; weights: number[] }[];
}

describe('degree elevation', () => {
  it.each(referenceCases<RaisedCase>('decompose').map((entry, index) => [index, entry] as const))(
    'reference case %i: the pieces',
    (_, { curve, raisedPieces }) => {
      decompose(curve).forEach((piece, index) => {
        const raised = elevateDegree(piece);
        const expected = raisedPieces[index]!;
        expectClose(raised.weights!, expected.weights, 1e-12);
        raised.points.forEach((point, k) => expectClose(point, expected.points[k]!, 1e-12, sizeOf(curve)));
      });
    },
  );

  it('leaves the curve where it was and keeps its continuity', () => {
    holds(
      fc.property(arbitraryCurve(), fc.integer({ min: 1, max: 8 }), (curve, times) => {
        const raise = Math.min(times, 9 - curve.degree);
        if (raise < 1) {
          expect(() => elevateDegree(curve, times)).toThrow(CurveError);
          return;
        }
        const raised = elevateDegree(curve, raise);
        validateCurve(raised);
        expect(raised.degree).toBe(curve.degree + raise);
        expect(guaranteedContinuity(raised).map(({ order }) => order)).toEqual(
          guaranteedContinuity(curve).map(({ order }) => order),
        );
        expectSameCurve(raised, curve, undefined, 1e-12);
      }),
    );
  });

  it('of a straight line is the line with points evenly on it', () => {
    const line: Curve = {
      degree: 1,
      knots: [0, 0, 1, 1],
      points: [
        [0, 0],
        [4, 8],
      ],
    };
    expect(elevateDegree(line, 3).points).toEqual([
      [0, 0],
      [1, 2],
      [2, 4],
      [3, 6],
      [4, 8],
    ]);
  });
});

describe('joining', () => {
  it('raises the lower degree, lets weights agree, and leaves both curves where they were', () => {
    holds(
      fc.property(arbitraryCurve({ dimension: 2 }), arbitraryCurve({ dimension: 2 }), (first, other) => {
        const tail = pointAt(first, domainOf(first.knots, first.degree)[1]);
        const head = pointAt(other, domainOf(other.knots, other.degree)[0]);
        const second = {
          ...other,
          points: other.points.map((p) => p.map((c, axis) => c + tail[axis]! - head[axis]!)),
        };
        const joined = joinCurves(first, second, 1e-9 * sizeOf(first));
        validateCurve(joined);
        const [start, end] = domainOf(first.knots, first.degree);
        expect(domainOf(joined.knots, joined.degree)[0]).toBe(start);
        const size = Math.max(sizeOf(first), sizeOf(second));
        for (const t of [0, 0.3, 0.7]) {
          const u = start + t * (end - start);
          expectSamePlace(first, u, joined, u, size);
        }
        const [from, to] = domainOf(second.knots, second.degree);
        for (const t of [0.3, 0.7, 1]) {
          const u = Math.min(to, from + t * (to - from));
          const last = domainOf(joined.knots, joined.degree)[1];
          expectSamePlace(second, u, joined, Math.min(last, end + (u - from)), size);
        }
        const joint = knotJumps(joined).find(({ knot }) => knot === end)!;
        expect(joint.position).toBeLessThan(1e-9 * size);
      }),
    );
  });

  it('refuses ends that lie apart, and a plane curve with one in space', () => {
    const line = (...points: number[][]): Curve => ({ degree: 1, knots: [0, 0, 1, 1], points });
    expect(() => joinCurves(line([0, 0], [1, 0]), line([1.1, 0], [2, 0]))).toThrow(/apart/);
    expect(joinCurves(line([0, 0], [1, 0]), line([1.1, 0], [2, 0]), 0.2).points).toHaveLength(3);
    expect(() => joinCurves(line([0, 0], [1, 0]), line([1, 0, 0], [2, 0, 0]))).toThrow(/plane/);
  });
});
