import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Curve, Point } from '../../src/curve/curve.js';
import { CurveError } from '../../src/curve/error.js';
import { pointAt } from '../../src/curve/evaluate.js';
import {
  averagedKnots,
  interpolate,
  parametersOf,
  type Parametrisation,
} from '../../src/curve/interpolate.js';
import { validateCurve } from '../../src/curve/validate.js';
import { expectClose, referenceCases } from './reference.js';
import { holds } from '../holds.js';

interface InterpolateCase {
  points: Point[];
  degree: number;
  parametrisation: Parametrisation;
  parameters: number[];
  result: Curve;
}

const coordinate = fc.double({ min: -100, max: 100, noNaN: true });
/** Points whose neighbours are apart, but not all alike: hops of very different lengths. */
const arbitraryPoints = fc
  .record({
    dimension: fc.constantFrom(2, 3),
    hops: fc.array(fc.tuple(coordinate, coordinate, coordinate), { minLength: 1, maxLength: 30 }),
  })
  .map(({ dimension, hops }) => {
    const points: number[][] = [Array<number>(dimension).fill(0)];
    for (const hop of hops) {
      const last = points.at(-1)!;
      points.push(
        last.map((value, axis) => value + hop[axis]! + (axis === 0 ? Math.sign(hop[0]) * 0.5 || 0.5 : 0)),
      );
    }
    return points;
  });
const parametrisations = fc.constantFrom<Parametrisation>('uniform', 'chord', 'centripetal');

describe('interpolation', () => {
  it.each(referenceCases<InterpolateCase>('interpolate').map((entry, index) => [index, entry] as const))(
    'reference case %i',
    (_, { points, degree, parametrisation, parameters, result }) => {
      const found = interpolate(points, degree, parametrisation);
      expectClose(found.parameters, parameters, 1e-12);
      expect(found.curve.degree).toBe(result.degree);
      expectClose(found.curve.knots, result.knots, 1e-12);
      const size = Math.max(...result.points.flat().map(Math.abs));
      found.curve.points.forEach((point, index) => expectClose(point, result.points[index]!, 1e-11, size));
    },
  );

  it('passes through every point at its parameter, at every degree', () => {
    holds(
      fc.property(
        arbitraryPoints,
        fc.integer({ min: 1, max: 9 }),
        parametrisations,
        (points, degree, parametrisation) => {
          const { curve, parameters } = interpolate(points, degree, parametrisation);
          validateCurve(curve);
          expect(curve.degree).toBe(Math.min(degree, points.length - 1));
          const size = Math.max(1, ...curve.points.flat().map(Math.abs));
          points.forEach((point, index) =>
            expectClose(pointAt(curve, parameters[index]!), point, 1e-11, size),
          );
          expect(curve.points[0]).toEqual(points[0]);
          expect(curve.points.at(-1)).toEqual(points.at(-1));
        },
      ),
    );
  });

  it('of a thousand points is solved in the band and exact', () => {
    const points = Array.from({ length: 1000 }, (_, k) => [k, 20 * Math.sin(k / 7)]);
    const { curve, parameters } = interpolate(points, 5, 'centripetal');
    for (const index of [0, 1, 499, 998, 999])
      expectClose(pointAt(curve, parameters[index]!), points[index]!, 1e-11, 1000);
  });

  it('through two points is the straight line at any degree', () => {
    expect(
      interpolate(
        [
          [0, 0],
          [3, 4],
        ],
        7,
      ).curve,
    ).toEqual({
      degree: 1,
      knots: [0, 0, 1, 1],
      points: [
        [0, 0],
        [3, 4],
      ],
    });
  });

  it('gives parameters by even steps, chords and their roots', () => {
    const points = [
      [0, 0],
      [1, 0],
      [10, 0],
    ];
    expect(parametersOf(points, 'uniform')).toEqual([0, 0.5, 1]);
    expect(parametersOf(points, 'chord')).toEqual([0, 0.1, 1]);
    expect(parametersOf(points, 'centripetal')).toEqual([0, 0.25, 1]);
    expect(averagedKnots([0, 0.1, 0.4, 1], 2)).toEqual([0, 0, 0, 0.25, 1, 1, 1]);
  });

  it.each<[string, Point[], number, string]>([
    ['one point', [[0, 0]], 3, 'point-count'],
    ['no points', [], 3, 'point-count'],
    [
      'coincident neighbours',
      [
        [0, 0],
        [1, 1],
        [1, 1],
        [2, 0],
      ],
      3,
      'point',
    ],
    [
      'NaN',
      [
        [0, 0],
        [NaN, 1],
      ],
      1,
      'point',
    ],
    [
      'infinity',
      [
        [0, 0],
        [1, Infinity],
      ],
      1,
      'point',
    ],
    [
      'mixed dimensions',
      [
        [0, 0],
        [1, 1, 1],
      ],
      1,
      'point',
    ],
    [
      'degree 0',
      [
        [0, 0],
        [1, 1],
      ],
      0,
      'degree',
    ],
    [
      'degree 10',
      [
        [0, 0],
        [1, 1],
      ],
      10,
      'degree',
    ],
    [
      'points told apart by nothing',
      [
        [0, 0],
        [1e300, 0],
        [1e300 + 1, 0],
      ],
      1,
      'point',
    ],
  ])('refuses %s with the typed error', (_, points, degree, code) => {
    for (const parametrisation of ['uniform', 'chord', 'centripetal'] as const) {
      let error: unknown;
      try {
        interpolate(points, degree, parametrisation);
      } catch (caught) {
        error = caught;
      }
      expect(error).toBeInstanceOf(CurveError);
      expect(error).toMatchObject({ kind: code });
    }
  });
});
