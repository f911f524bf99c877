import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Curve } from '../../src/curve/curve.js';
import { domainOf } from '../../src/curve/knotVector.js';
import { sampleCurve } from '../../src/curve/sample.js';
import type { PlotInput } from '../../src/figure/track/define.js';
import { nearestCircle } from '../../src/figure/track/radiusError.js';
import { trackNames, trackOf } from '../../src/figure/track/tracks.js';
import { arbitraryCurve } from '../curve/arbitrary.js';
import { signedCurves } from '../curve/signedCurves.js';
import { holds } from '../holds.js';

/** Tracks that plot numbers over the parameter. */
const plotted = trackNames.filter((name) => trackOf(name).plots !== undefined);

describe('every plotted track', () => {
  it.each(plotted)('%s has a finite value for each sample, and the same at its parameter', (name) => {
    holds(
      fc.property(
        arbitraryCurve({ dimension: 2 }),
        arbitraryCurve({ dimension: 2 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (curve: Curve, compared: Curve, share) => {
          const samples = sampleCurve(curve, 8);
          const input: PlotInput = {
            curve,
            samples,
            compared,
            distances: () => new Float64Array(samples.parameters.length),
          };
          const [start, end] = domainOf(curve.knots, curve.degree);
          for (const { values, at } of trackOf(name).plots!) {
            const all = values(input);
            // A straight curve is near no circle: neither way of asking has an answer.
            if (name === 'radiusError' && all === undefined) {
              expect(at(input, start)).toBeUndefined();
              expect(nearestCircle(curve)).toBeNull();
              continue;
            }
            if (!all) throw new Error(`${name} has no values`);
            expect(all).toHaveLength(samples.parameters.length);
            expect(all.every(Number.isFinite)).toBe(true);
            const place = start + share * (end - start);
            // Where a curve stands still it has no curvature.
            const speed = trackOf('speed').plots![0]!.at(input, place)!;
            if (speed > 1e-9) expect(at(input, place)).toSatisfy(Number.isFinite);
            // In the middle of the first span both ways of asking agree, where the values are exact.
            if (name === 'length' || name === 'deviation') continue;
            const [u, value] = [samples.parameters[4]!, all[4]!];
            if (trackOf('speed').plots![0]!.at(input, u)! <= 1e-9) continue;
            expect(Math.abs(at(input, u)! - value)).toBeLessThanOrEqual(1e-6 * Math.max(1, Math.abs(value)));
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it.each(plotted)('%s of a curve with weights of any sign has only finite values', (name) => {
    holds(
      fc.property(signedCurves, (curve) => {
        const samples = sampleCurve(curve, 6);
        const distances = (): Float64Array => new Float64Array(samples.parameters.length);
        for (const { values } of trackOf(name).plots!)
          expect((values({ curve, samples, compared: curve, distances }) ?? []).every(Number.isFinite)).toBe(
            true,
          );
      }),
      { numRuns: 40 },
    );
  });

  it('that compares has nothing without another curve', () => {
    const [curve] = fc.sample(arbitraryCurve({ dimension: 2 }), { numRuns: 1, seed: 1 });
    const samples = sampleCurve(curve!, 4);
    for (const name of plotted.filter((one) => trackOf(one).compares)) {
      for (const { values } of trackOf(name).plots!)
        expect(values({ curve: curve!, samples })).toBeUndefined();
    }
  });

  it('measures what is round but for one place from what is round', () => {
    const half = Math.SQRT1_2;
    const circle: Curve = {
      degree: 2,
      knots: [0, 0, 0, 1, 1, 2, 2, 3, 3, 4, 4, 4],
      points: [
        [1, 0],
        [1, 1],
        [0, 1],
        [-1, 1],
        [-1, 0],
        [-1, -1],
        [0, -1],
        [1, -1],
        [1, 0],
      ],
      weights: [1, half, 1, half, 1, half, 1, half, 1],
    };
    const errorsOf = (curve: Curve): Float64Array =>
      trackOf('radiusError').plots![0]!.values({ curve, samples: sampleCurve(curve, 8) })!;
    expect(Math.max(...errorsOf(circle))).toBeLessThan(1e-14);
    const disturbed = { ...circle, knots: circle.knots.with(4, 1.2) };
    const errors = errorsOf(disturbed);
    expect(Math.max(...errors)).toBeGreaterThan(1e-3);
    expect(errors.filter((error) => error < 1e-14).length).toBeGreaterThan(errors.length / 3);
  });
});
