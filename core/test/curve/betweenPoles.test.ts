import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  hasSignedWeights,
  partsBetweenPoles,
  piecesBetweenPoles,
  polesOf,
  withPositiveForm,
  type Pole,
} from '../../src/curve/betweenPoles.js';
import { classifyConic, distanceFromConic } from '../../src/curve/classifyConic.js';
import type { Curve } from '../../src/curve/curve.js';
import { derivativesAt, pointAt } from '../../src/curve/evaluate.js';
import { insertKnot } from '../../src/curve/insertKnot.js';
import { domainOf } from '../../src/curve/knotVector.js';
import { lengthOfCurve } from '../../src/curve/length.js';
import { nearestPoint } from '../../src/curve/nearest.js';
import { sampleCurve } from '../../src/curve/sample.js';
import { validateCurve } from '../../src/curve/validate.js';
import { expectClose } from './reference.js';
import { signedCurves as curves } from './signedCurves.js';
import { holds } from '../holds.js';

const base: Curve = {
  degree: 2,
  knots: [0, 0, 0, 1, 1, 1],
  points: [
    [0, 0],
    [1, 1],
    [2, 0],
  ],
  signedWeights: true,
};

function distanceFromAsymptote(curve: Curve, { asymptote, direction }: Pole, u: number): number {
  const [px, py] = pointAt(curve, u) as [number, number];
  return Math.abs((px - asymptote![0]!) * direction[1]! - (py - asymptote![1]!) * direction[0]!);
}

describe('poles', () => {
  it('are where the weight function vanishes', () => {
    expect(polesOf({ ...base, weights: [1, 1, 1] })).toEqual([]);
    expect(polesOf(base)).toEqual([]);
    expect(polesOf({ ...base, weights: [1, 0, 1] })).toEqual([]);
    // (1 − t)² − 4 t (1 − t) + t² = 0 at t = (3 ± √3) / 6.
    const poles = polesOf({ ...base, weights: [1, -2, 1] });
    expectClose(
      poles.map(({ parameter }) => parameter),
      [(3 - Math.sqrt(3)) / 6, (3 + Math.sqrt(3)) / 6],
      1e-12,
    );
  });

  it('of a hyperbola have its asymptotes', () => {
    const curve: Curve = { ...base, weights: [1, -2, 1] };
    const centre = classifyConic(piecesBetweenPoles(curve)[0]!).centre!;
    for (const pole of polesOf(curve)) {
      const { parameter, direction, asymptote } = pole;
      // The asymptote passes through the centre, in the direction in which the curve runs away.
      const [x, y] = [centre[0]! - asymptote![0]!, centre[1]! - asymptote![1]!];
      expect(Math.abs(x * direction[1]! - y * direction[0]!)).toBeLessThan(1e-9);
      for (const away of [1e-6, -1e-6])
        expect(distanceFromAsymptote(curve, pole, parameter + away)).toBeLessThan(1e-4);
    }
  });

  it('of a parabola are one, without an asymptote', () => {
    const poles = polesOf({ ...base, weights: [1, -1, 1] });
    expect(poles).toHaveLength(1);
    expect(poles[0]!.parameter).toBeCloseTo(0.5, 12);
    expect(poles[0]!.asymptote).toBeUndefined();
    expectClose(poles[0]!.direction.map(Math.abs), [0, 1], 1e-12);
    // At a place that halving does not meet, too: the weight function is (1 − 3 t)².
    const apart = polesOf({ ...base, weights: [1, -2, 4] });
    expect(apart).toHaveLength(1);
    expect(apart[0]!.parameter).toBeCloseTo(1 / 3, 7);
  });

  it('are none at an end whose weight is zero: the curve begins at the next point', () => {
    const curve: Curve = { ...base, weights: [0, 1, 1] };
    expect(polesOf(curve)).toEqual([]);
    const [first] = partsBetweenPoles(curve);
    expectClose(pointAt(curve, first!.start), [1, 1], 1e-6);
    expectClose(pointAt(curve, 0), [1, 1], 1e-15);
    // Without the common factor t it is the leg from the second point to the third, with weights 2 and 1.
    const leg: Curve = {
      degree: 1,
      knots: [0, 0, 1, 1],
      points: [
        [1, 1],
        [2, 0],
      ],
      weights: [2, 1],
    };
    derivativesAt(curve, 0, 3).forEach((value, k) => expectClose(value, derivativesAt(leg, 0, 3)[k]!, 1e-14));
    expect(() => pointAt({ ...base, weights: [1, -1, 1] }, 0.5)).toThrow('runs to infinity at 0.5');
    expect(withPositiveForm(curve)).toBeUndefined();
  });

  it('of a polygon are in its legs, and they can be at a knot', () => {
    const lines: Curve = {
      degree: 1,
      knots: [0, 0, 1, 2, 2],
      points: [
        [0, 0],
        [1, 0],
        [2, 2],
      ],
      weights: [1, -1, 1],
      signedWeights: true,
    };
    expect(polesOf(lines).map(({ parameter }) => parameter)).toEqual([0.5, 1.5]);
    const atKnot: Curve = {
      degree: 2,
      knots: [0, 0, 0, 1, 2, 2, 2],
      points: [
        [0, 0],
        [1, 2],
        [4, 2],
        [6, 0],
      ],
      weights: [1, 1, -1, -3],
      signedWeights: true,
    };
    const [pole, ...others] = polesOf(atKnot);
    expect(others).toEqual([]);
    expect(pole!.parameter).toBe(1);
    for (const away of [-1e-6, 1e-6])
      expect(distanceFromAsymptote(atKnot, pole!, 1 + away)).toBeLessThan(1e-4);
  });
});

describe('many poles', () => {
  it('of the longest curve that there may be are found, each once', () => {
    const count = 2000;
    const curve: Curve = {
      degree: 1,
      knots: [0, ...Array.from({ length: count }, (_, k) => k), count - 1],
      points: Array.from({ length: count }, (_, k) => [k, k % 3]),
      weights: Array.from({ length: count }, (_, k) => (k % 2 === 0 ? 1 : -1)),
      signedWeights: true,
    };
    expect(polesOf(curve)).toHaveLength(count - 1);
    expect(polesOf(curve)).toBe(polesOf(curve));
    expect(sampleCurve(curve, 2).coordinates.every(Number.isFinite)).toBe(true);
  });
});

describe('a curve with weights of any sign', () => {
  it('is its pieces: positive weights, the same points at the same parameters, in order', () => {
    holds(
      fc.property(curves, (curve) => {
        let last = -Infinity;
        for (const piece of piecesBetweenPoles(curve)) {
          validateCurve(piece);
          expect(hasSignedWeights(piece)).toBe(false);
          const [start, end] = domainOf(piece.knots, piece.degree);
          expect(start).toBeGreaterThanOrEqual(last);
          last = end;
          const u = start + 0.37 * (end - start);
          const size = Math.hypot(...pointAt(piece, u)) + 50;
          expectClose(pointAt(piece, u), pointAt(curve, u), 1e-6 * size);
        }
      }),
      { numRuns: 300 },
    );
  });

  it('is sampled without a value that is not finite where a pole lies on a half of halves', () => {
    const curve: Curve = {
      degree: 1,
      points: [
        [0, 0],
        [0, 0],
        [0, -1],
      ],
      // The pole is at 1 + 25 / 128, but for the last digit of −4.12.
      weights: [0, 1, -4.12],
      knots: [0, 0, 1, 2, 2],
      signedWeights: true,
    };
    for (const steps of [4, 5, 6, 16]) {
      const { coordinates, speeds } = sampleCurve(curve, steps);
      expect([...coordinates, ...speeds].every(Number.isFinite)).toBe(true);
    }
  });

  it('is sampled without a value that is not finite', () => {
    holds(
      fc.property(curves, (curve) => {
        const { coordinates, speeds, curvature, joined, spanCount } = sampleCurve(curve, 6);
        for (const values of [coordinates, speeds, curvature])
          expect(values.every((value) => Number.isFinite(value))).toBe(true);
        expect(joined).toHaveLength(spanCount);
      }),
      { numRuns: 200 },
    );
  });

  it('has a pole in every place between two parts at which it is far away', () => {
    holds(
      fc.property(curves, (curve) => {
        const scale = Math.max(...curve.weights!.map(Math.abs));
        const weights: Curve = {
          degree: curve.degree,
          knots: curve.knots,
          points: curve.weights!.map((w) => [w, 0]),
        };
        for (const { parameter, direction } of polesOf(curve)) {
          expect(Math.abs(pointAt(weights, parameter)[0]!)).toBeLessThan(1e-9 * scale);
          expect(Math.hypot(...direction)).toBeCloseTo(1, 9);
        }
      }),
      { numRuns: 300 },
    );
  });

  it('draws with a negative weight the rest of the conic that it draws with the positive one', () => {
    const arc: Curve = { ...base, weights: [1, 0.5, 1] };
    const rest: Curve = { ...base, weights: [1, -0.5, 1] };
    const conic = classifyConic(arc);
    expect(polesOf(rest)).toEqual([]);
    for (let k = 0; k <= 20; k++) expect(distanceFromConic(conic, pointAt(rest, k / 20))).toBeLessThan(1e-12);
    const whole = withPositiveForm(rest)!;
    validateCurve(whole);
    for (let k = 0; k <= 20; k++) expectClose(pointAt(whole, k / 20), pointAt(rest, k / 20), 1e-12);
    // A circle of radius 1: √2/2 and −√2/2 on a right angle.
    const quarter = (weight: number): number =>
      lengthOfCurve(
        withPositiveForm({
          ...base,
          points: [
            [1, 0],
            [1, 1],
            [0, 1],
          ],
          weights: [1, weight, 1],
        })!,
      );
    expect(quarter(Math.SQRT1_2)).toBeCloseTo(Math.PI / 2, 11);
    expect(quarter(-Math.SQRT1_2)).toBeCloseTo((3 * Math.PI) / 2, 11);
  });

  it('has the same points with another knot', () => {
    const curve: Curve = { ...base, weights: [1, -0.5, 1] };
    const refined = insertKnot(curve, 0.3);
    validateCurve(refined);
    expect(refined.signedWeights).toBe(true);
    for (const u of [0, 0.1, 0.5, 0.9]) expectClose(pointAt(refined, u), pointAt(curve, u), 1e-12);
  });

  it('has a nearest point on one of its pieces', () => {
    const curve: Curve = { ...base, weights: [1, -2, 1] };
    const target = pointAt(curve, 0.9);
    const found = nearestPoint(curve, target);
    expect(found.distance).toBeLessThan(1e-12);
    expect(found.parameter).toBeCloseTo(0.9, 9);
  });

  it('is refused where it allows none, and where all weights of a span are zero', () => {
    const { signedWeights: _, ...plain } = base;
    expect(() => validateCurve({ ...plain, weights: [1, -1, 1] })).toThrow('Weight 1 is -1');
    expect(() => validateCurve({ ...base, weights: [0, 0, 0] })).toThrow('Weights 0 to 2 are all zero');
    expect(() => validateCurve({ ...base, weights: [1, NaN, 0] })).toThrow('must be zero, or from');
    expect(() => validateCurve({ ...base, weights: [1, -1, 1] })).not.toThrow();
  });

  it('keeps derivatives that are those of its points', () => {
    const curve: Curve = { ...base, weights: [1, -2, 1] };
    const h = 1e-6;
    const [, first] = derivativesAt(curve, 0.05, 1);
    const [a, b] = [pointAt(curve, 0.05 - h), pointAt(curve, 0.05 + h)];
    expectClose(first!, [(b[0]! - a[0]!) / (2 * h), (b[1]! - a[1]!) / (2 * h)], 1e-5);
  });
});
