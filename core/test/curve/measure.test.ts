import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Curve } from '../../src/curve/curve.js';
import { curvatureAt, normalAt, tangentAt } from '../../src/curve/differential.js';
import { derivativesAt, pointAt } from '../../src/curve/evaluate.js';
import { lengthOfCurve } from '../../src/curve/length.js';
import { nearestPoint } from '../../src/curve/nearest.js';
import { sampleCurve } from '../../src/curve/sample.js';
import { sampleBasis } from '../../src/curve/sampleBasis.js';
import { arbitraryCurve, arbitraryCurveAndParameter, sizeOf } from './arbitrary.js';
import { expectClose, referenceCases } from './reference.js';
import { holds } from '../holds.js';

interface MeasureCase {
  curve: Curve;
  length: number;
  curvature: { u: number; curvature: number }[];
}

const half = Math.SQRT1_2;
/** A quarter of the circle of radius 2 about the origin. */
const quarter: Curve = {
  degree: 2,
  knots: [0, 0, 0, 1, 1, 1],
  points: [
    [2, 0],
    [2, 2],
    [0, 2],
  ],
  weights: [1, half, 1],
};

describe('reference cases of measuring', () => {
  it.each(referenceCases<MeasureCase>('measure').map((entry, index) => [index, entry] as const))(
    'case %i',
    (_, { curve, length, curvature }) => {
      expect(Math.abs(lengthOfCurve(curve) / length - 1)).toBeLessThan(1e-9);
      const largest = Math.max(...curvature.map((sample) => Math.abs(sample.curvature)));
      for (const sample of curvature) {
        expect(Math.abs(curvatureAt(curve, sample.u)! - sample.curvature)).toBeLessThan(1e-10 * largest);
      }
    },
  );
});

describe('an exact quarter circle', () => {
  it('has the radius, curvature, tangent, normal and length of one', () => {
    for (let step = 0; step <= 100; step++) {
      const u = step / 100;
      const [x, y] = pointAt(quarter, u) as [number, number];
      expect(Math.abs(Math.hypot(x, y) - 2)).toBeLessThanOrEqual(2e-14);
      expect(curvatureAt(quarter, u)).toBeCloseTo(0.5, 12);
      expectClose(tangentAt(quarter, u)!, [-y / 2, x / 2], 1e-12);
      expectClose(normalAt(quarter, u)!, [-x / 2, -y / 2], 1e-12);
    }
    expect(lengthOfCurve(quarter)).toBeCloseTo(Math.PI, 12);
  });
  it('has the same curvature in space, without a sign', () => {
    const space: Curve = {
      ...quarter,
      points: [
        [0, 2, 1],
        [2, 2, 1],
        [2, 0, 1],
      ],
    };
    expect(curvatureAt(space, 0.3)).toBeCloseTo(0.5, 12);
    expectClose(
      normalAt(space, 0.3)!.slice(0, 2),
      pointAt(space, 0.3)
        .slice(0, 2)
        .map((c) => -c / 2),
      1e-12,
    );
  });
});

describe('a curve that stands still', () => {
  it('has no tangent, normal or curvature, and no NaN', () => {
    const still: Curve = {
      degree: 2,
      knots: [0, 0, 0, 1, 1, 1],
      points: [
        [1, 1],
        [1, 1],
        [1, 1],
      ],
    };
    expect([tangentAt(still, 0.5), normalAt(still, 0.5), curvatureAt(still, 0.5)]).toEqual([
      undefined,
      undefined,
      undefined,
    ]);
    expect([...sampleCurve(still, 4).curvature]).toEqual([0, 0, 0, 0, 0]);
    expect(lengthOfCurve(still)).toBeLessThan(1e-15);
  });
});

describe('samples for drawing', () => {
  it('are the points, tangents, speeds and curvature of the curve, both sides at knots', () => {
    holds(
      fc.property(arbitraryCurve({ dimension: 2 }), (curve) => {
        const samples = sampleCurve(curve, 5);
        const { parameters, coordinates, tangents, speeds, curvature, spanCount } = samples;
        for (let sample = 0; sample < parameters.length; sample++) {
          const u = parameters[sample]!;
          const side = sample % 6 === 5 ? 'left' : 'right';
          const at = [...coordinates.subarray(2 * sample, 2 * sample + 2)];
          expectClose(at, pointAt(curve, u, side), 1e-12, sizeOf(curve));
          const [, first, second] = derivativesAt(curve, u, 2, side);
          const speed = Math.hypot(...first!);
          expectClose([speeds[sample]!], [speed], 1e-11, sizeOf(curve) + speed);
          // Where the curve nearly stands still, direction and curvature lose their digits.
          if (speed < 1e-3 * sizeOf(curve)) continue;
          expectClose([...tangents.subarray(2 * sample, 2 * sample + 2)], tangentAt(curve, u, side)!, 1e-7);
          const scale = Math.hypot(...second!) / speed ** 2 + 1e-9;
          expect(Math.abs(curvature[sample]! - curvatureAt(curve, u, side)!) / scale).toBeLessThan(1e-6);
        }
        expect(parameters).toHaveLength(6 * spanCount);
      }),
    );
  });

  it('of the basis sum to one in every row', () => {
    holds(
      fc.property(arbitraryCurve(), (curve) => {
        const { values, parameters } = sampleBasis(curve, 3);
        const width = curve.degree + 1;
        for (let row = 0; row < parameters.length; row++) {
          const sum = values
            .subarray(row * width, (row + 1) * width)
            .reduce((total, value) => total + value, 0);
          expect(sum).toBeCloseTo(1, 12);
        }
      }),
    );
  });
});

describe('the nearest point', () => {
  it('of a point on the curve is at no distance', () => {
    holds(
      fc.property(arbitraryCurveAndParameter(), ({ curve, u }) => {
        const target = pointAt(curve, u);
        expect(nearestPoint(curve, target).distance).toBeLessThan(1e-9 * sizeOf(curve));
      }),
    );
  });
  it('is never farther than any sample', () => {
    holds(
      fc.property(
        arbitraryCurve({ dimension: 2 }),
        fc.double({ min: -150, max: 150, noNaN: true }),
        (curve, x) => {
          const target = [x, 10];
          const { distance } = nearestPoint(curve, target);
          const { coordinates } = sampleCurve(curve, 50);
          for (let at = 0; at < coordinates.length; at += 2) {
            const other = Math.hypot(coordinates[at]! - target[0]!, coordinates[at + 1]! - target[1]!);
            expect(distance).toBeLessThanOrEqual(other + 1e-12 * sizeOf(curve));
          }
        },
      ),
    );
  });
  it('of the centre of a circle is at its radius', () => {
    expect(nearestPoint(quarter, [0, 0]).distance).toBeCloseTo(2, 12);
  });
});
