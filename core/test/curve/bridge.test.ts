import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bridgeCurves, strengthFor, type BridgeEnd } from '../../src/curve/bridge.js';
import { measureJoint } from '../../src/curve/continuity.js';
import type { Curve } from '../../src/curve/curve.js';
import { CurveError } from '../../src/curve/error.js';
import { pointAt } from '../../src/curve/evaluate.js';
import { clampedUniformKnots, domainOf } from '../../src/curve/knotVector.js';
import { reverseCurve } from '../../src/curve/reparametrise.js';
import { holds } from '../holds.js';

const orders = [0, 1, 2, 3] as const;
const ends = ['start', 'end'] as const;

/** The continuity of a joint between a curve's end, as it runs out there, and what follows. */
const joined = ({ curve, end }: BridgeEnd, next: Curve): number =>
  measureJoint(end === 'end' ? curve : reverseCurve(curve), next).geometric;

/** Random curves that run on everywhere, so that their ends have a direction and a curvature worth measuring. */
const arbitraryRun: fc.Arbitrary<Curve> = fc
  .record({
    degree: fc.integer({ min: 3, max: 6 }),
    places: fc.array(
      fc.record({
        ahead: fc.double({ min: 8, max: 30, noNaN: true }),
        y: fc.double({ min: -25, max: 25, noNaN: true }),
        weight: fc.double({ min: 0.3, max: 3, noNaN: true }),
      }),
      { minLength: 7, maxLength: 12 },
    ),
    rational: fc.boolean(),
  })
  .map(({ degree, places, rational }) => {
    let x = 0;
    return {
      degree,
      knots: clampedUniformKnots(places.length, degree),
      points: places.map(({ ahead, y }) => [(x += ahead), y]),
      ...(rational ? { weights: places.map(({ weight }) => weight) } : {}),
    };
  });

describe('a bridge', () => {
  it('continues both curves as was asked, whatever the strengths', () => {
    const arbitraryEnd = fc.record({
      curve: arbitraryRun,
      end: fc.constantFrom(...ends),
      order: fc.constantFrom(...orders),
      strength: fc.double({ min: 0.2, max: 4, noNaN: true }),
    });
    holds(
      fc.property(arbitraryEnd, arbitraryEnd, (first, second) => {
        let bridge: Curve;
        try {
          bridge = bridgeCurves(first, second);
        } catch (error) {
          // Ends that stand still, or lie on one place.
          expect(error).toBeInstanceOf(CurveError);
          return;
        }
        expect(bridge.degree).toBe(first.order + second.order + 1);
        expect(joined(first, bridge)).toBeGreaterThanOrEqual(first.order);
        expect(joined(second, reverseCurve(bridge))).toBeGreaterThanOrEqual(second.order);
      }),
      { numRuns: 200 },
    );
  });

  const line = (from: number[], to: number[]): Curve => ({
    degree: 1,
    knots: [0, 0, 1, 1],
    points: [from, to],
  });
  const first: BridgeEnd = { curve: line([0, 0], [10, 0]), end: 'end', order: 1, strength: 1 };
  const second: BridgeEnd = { curve: line([40, 30], [40, 60]), end: 'start', order: 1, strength: 1 };

  it('has handles of a third of the distance at strength 1, and as long as a place asks for', () => {
    const bridge = bridgeCurves(first, second);
    const gap = Math.hypot(30, 30);
    expect(bridge.points[0]).toEqual([10, 0]);
    expect(bridge.points[1]![0]).toBeCloseTo(10 + gap / 3, 12);
    expect(bridge.points[2]).toEqual([40, expect.closeTo(30 - gap / 3, 12)]);
    const strength = strengthFor(bridge, 'first', [25, 7], 1);
    const pulled = bridgeCurves({ ...first, strength }, second);
    expect(pulled.points[1]![0]).toBeCloseTo(25, 1);
    expect(strengthFor(bridge, 'first', [-20, 0], 1)).toBe(0.01);
    expect(pointAt(pulled, 1)).toEqual(pointAt(second.curve, 0));
    expect(domainOf(pulled.knots, 3)).toEqual([0, 1]);
  });

  it('refuses what has no length, and strengths that are none', () => {
    const on: BridgeEnd = { ...second, curve: line([10, 0], [10, 30]) };
    expect(() => bridgeCurves(first, on)).toThrow(CurveError);
    for (const strength of [0, -1, NaN, Infinity]) {
      expect(() => bridgeCurves({ ...first, strength }, second)).toThrow(CurveError);
    }
    const still: BridgeEnd = { ...first, curve: line([10, 0], [10, 0]) };
    expect(() => bridgeCurves(still, second)).toThrow(CurveError);
  });
});
