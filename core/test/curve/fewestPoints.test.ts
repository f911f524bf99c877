import { describe, expect, it } from 'vitest';
import { distance } from '../../src/curve/vector.js';
import { improveKnots } from '../../src/curve/freeKnots.js';
import { largestDeviation } from '../../src/curve/deviation.js';
import { pointAt } from '../../src/curve/evaluate.js';
import { pointsAt } from '../../src/curve/evaluateMany.js';
import { fitCurveToTolerance } from '../../src/curve/fitCurve.js';
import { clampedUniformKnots, interiorKnots } from '../../src/curve/knotVector.js';
import { validateCurve } from '../../src/curve/validate.js';
import { isFull } from '../../../scripts/test/size.mjs';
import { fewestCases } from './fewestPoints.js';

describe('fitting with few points', () => {
  it.each(fewestCases.filter((_, index) => isFull || index % 3 === 0))(
    '$name comes within a tenth of the fewest known',
    { timeout: 60_000 },
    (fewest) => {
      const { curve, degree, tolerance, known } = fewest;
      const fit = fitCurveToTolerance(curve, degree, tolerance);
      validateCurve(fit.curve);
      expect(fit.reached).toBe(true);
      expect(largestDeviation(curve, fit.curve).distance).toBeLessThanOrEqual(tolerance);
      expect(fit.curve.points.length).toBeLessThanOrEqual(1.1 * known);
      for (const end of [0, 1]) {
        expect(distance(pointAt(fit.curve, end), pointAt(curve, end))).toBeLessThan(1e-12 * 1000);
      }
    },
  );

  it.each(fewestCases.filter((_, index) => index % (isFull ? 4 : 8) === 1))(
    '$name costs no more points with more tolerance',
    { timeout: 60_000 },
    ({ curve, degree, tolerance }) => {
      const counts = [0.3, 0.6, 1, 1.2, 1.5, 2, 3, 10].map(
        (factor) => fitCurveToTolerance(curve, degree, factor * tolerance).curve.points.length,
      );
      expect(counts).toEqual(counts.toSorted((a, b) => b - a));
    },
  );
});

describe('moving knots', () => {
  const { curve } = fewestCases[8]!;
  const parameters = Float64Array.from({ length: 400 }, (_, k) => k / 399);
  const samples = {
    parameters,
    values: pointsAt(curve, parameters),
    dimension: 2,
    ends: [pointAt(curve, 0), pointAt(curve, 1)] as const,
  };
  const knots = clampedUniformKnots(14, 3);

  it('brings the fit closer step by step, and leaves knots in order and what is to stay where it is', () => {
    const held = knots[6]!;
    const steps = [...improveKnots(samples, 3, knots, (value) => value === held, 20)];
    expect(steps.length).toBeGreaterThan(3);
    let last = Infinity;
    for (const step of steps) {
      expect(step.cost).toBeLessThanOrEqual(last);
      last = step.cost;
      const inner = interiorKnots(step.knots, 3);
      expect(inner).toHaveLength(10);
      expect(inner.map(({ value }) => value)).toContain(held);
      validateCurve({ degree: 3, knots: step.knots, points: step.rows });
      const off = pointsAt({ degree: 3, knots: step.knots, points: step.rows }, parameters);
      const largest = Math.max(
        ...Array.from(parameters, (_, k) =>
          Math.hypot(off[2 * k]! - samples.values[2 * k]!, off[2 * k + 1]! - samples.values[2 * k + 1]!),
        ),
      );
      expect(step.largest).toBeCloseTo(largest, 10);
    }
    expect(steps.at(-1)!.largest).toBeLessThan(0.5 * steps[0]!.largest);
  });

  it('finds the knots of a curve that has such', () => {
    const own = { degree: 3, knots: [0, 0, 0, 0, 0.31, 0.44, 0.83, 1, 1, 1, 1] };
    const source = { ...own, points: [0, 1, 2, 3, 4, 5, 6].map((k) => [20 * k, 40 * Math.sin(2.1 * k)]) };
    const near = {
      parameters,
      values: pointsAt(source, parameters),
      dimension: 2,
      ends: [source.points[0]!, source.points[6]!] as const,
    };
    const start = [0, 0, 0, 0, 0.25, 0.5, 0.75, 1, 1, 1, 1];
    const found = [...improveKnots(near, 3, start, () => false, 60)].at(-1)!;
    expect(found.largest).toBeLessThan(1e-6);
    found.knots.forEach((knot, index) => expect(knot).toBeCloseTo(own.knots[index]!, 6));
  });
});
