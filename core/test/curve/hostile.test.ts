import { arcLengthTable } from '../../src/curve/arcLength.js';
import { moveSeam } from '../../src/curve/close.js';
import { deBoorConstruction, deCasteljauConstruction } from '../../src/curve/construct.js';
import { curvatureAt, curvatureDerivativeAt } from '../../src/curve/differential.js';
import { pointAt } from '../../src/curve/evaluate.js';
import { derivativesAtMany, pointsAt } from '../../src/curve/evaluateMany.js';
import { insertKnot } from '../../src/curve/insertKnot.js';
import { domainOf } from '../../src/curve/knotVector.js';
import { periodicCurve } from '../../src/curve/periodic.js';
import { removeKnot } from '../../src/curve/removeKnot.js';
import { withSettledKnots } from '../../src/curve/settleKnots.js';
import { extractPart, splitCurve } from '../../src/curve/split.js';
import { validateCurve } from '../../src/curve/validate.js';
import { coreSentences } from '../../src/told/coreSentences.js';
import { sentenceOf, told } from '../../src/told/told.js';
import { describe, expect, it } from 'vitest';
import type { Curve, Point } from '../../src/curve/curve.js';
import { CurveError } from '../../src/curve/error.js';
import { operations } from './operations.js';

const points: Point[] = [
  [0, 0],
  [10, 40],
  [30, -20],
  [60, 30],
  [80, 5],
  [100, 20],
];
const base: Curve = { degree: 3, knots: [0, 0, 0, 0, 0.4, 0.7, 1, 1, 1, 1], points };

/** Curves that are valid and hard. */
const hard: [string, Curve][] = [
  ['a span a billionth wide', { ...base, knots: [0, 0, 0, 0, 0.5, 0.5 + 2e-9, 1, 1, 1, 1] }],
  [
    'knots an ulp apart, settled',
    withSettledKnots({ ...base, knots: [0, 0, 0, 0, 0.5, 0.5 + 2 ** -53, 1, 1, 1, 1] }),
  ],
  ['all points on one place', { ...base, points: points.map(() => [7, 7]) }],
  [
    'points on each other',
    { ...base, points: [points[0]!, points[0]!, points[1]!, points[1]!, points[1]!, points[5]!] },
  ],
  ['weights of a millionth and a million', { ...base, weights: [1e-6, 1e6, 1, 1e6, 1e-6, 1] }],
  ['coordinates of a billion', { ...base, points: points.map(([x, y]) => [x! + 1e9, y! - 1e9]) }],
  ['coordinates of a billionth', { ...base, points: points.map(([x, y]) => [x! * 1e-9, y! * 1e-9]) }],
  ['coordinates of 1e39', { ...base, points: points.map(([x, y]) => [x! * 1e37, y! * 1e37]) }],
  ['coordinates of 1e-39', { ...base, points: points.map(([x, y]) => [x! * 1e-41, y! * 1e-41]) }],
  ['a domain far away', { ...base, knots: base.knots.map((u) => 1e6 + u) }],
  ['a corner', { ...base, knots: [0, 0, 0, 0, 0.5, 0.5, 1, 1, 1, 1] }],
  ['a line', { degree: 1, knots: [0, 0, 1, 1], points: points.slice(0, 2) }],
  ['a turn back', { degree: 1, knots: [0, 0, 1, 2, 2], points: [points[0]!, points[1]!, points[0]!] }],
  ['a periodic curve of one point', periodicCurve(3, points.slice(0, 1))],
  ['a periodic curve of two points', periodicCurve(5, points.slice(0, 2))],
  ['unclamped ends', { ...base, knots: [-3, -2, -1, 0, 1, 2, 3, 4, 5, 6] }],
  ['a weight below zero', { ...base, weights: [1, 1, -0.5, 1, 1, 1], signedWeights: true }],
  ['poles in every span', { ...base, weights: [1, -1, 1, -1, 1, -1], signedWeights: true }],
  [
    'a pole in the middle',
    { degree: 1, knots: [0, 0, 1, 1], points: points.slice(0, 2), weights: [1, -1], signedWeights: true },
  ],
  ['ends without a weight', { ...base, weights: [0, 1, 1, 1, 1, 0], signedWeights: true }],
  ['a gap', { degree: 1, knots: [0, 0, 1, 1, 2, 2], points: points.slice(0, 4) }],
];

/** Curves that are not valid. */
const broken: [string, Curve][] = [
  ['NaN as a coordinate', { ...base, points: points.with(2, [NaN, 1]) }],
  ['an infinite coordinate', { ...base, points: points.with(2, [1, Infinity]) }],
  ['coordinates of 1e150', { ...base, points: points.map(([x, y]) => [x! * 1e148, y! * 1e148]) }],
  ['coordinates of 1e-150', { ...base, points: points.map(([x, y]) => [x! * 1e-152, y! * 1e-152]) }],
  ['NaN as a knot', { ...base, knots: base.knots.with(4, NaN) }],
  ['an infinite knot', { ...base, knots: base.knots.with(9, Infinity) }],
  ['a decreasing knot', { ...base, knots: base.knots.with(5, 0.1) }],
  ['knots an ulp apart', { ...base, knots: [0, 0, 0, 0, 0.5, 0.5 + 2 ** -53, 1, 1, 1, 1] }],
  ['too few knots', { ...base, knots: base.knots.slice(1) }],
  ['too many knots', { ...base, knots: [...base.knots, 1] }],
  ['a knot too often', { ...base, knots: [0, 0, 0, 0, 0, 0.7, 1, 1, 1, 1] }],
  ['a weight of zero', { ...base, weights: [1, 0, 1, 1, 1, 1] }],
  ['a weight of NaN', { ...base, weights: [1, NaN, 1, 1, 1, 1] }],
  ['too few weights', { ...base, weights: [1, 1] }],
  ['no point', { ...base, points: [] }],
  ['mixed dimensions', { ...base, points: points.with(1, [1, 2, 3]) }],
  ['degree 0', { ...base, degree: 0 }],
  ['degree 10', { ...base, degree: 10 }],
  ['degree 2.5', { ...base, degree: 2.5 }],
  ['a domain without length', { degree: 1, knots: [0, 1, 1, 2], points: points.slice(0, 2) }],
  ['a periodic curve whose points do not repeat', { ...base, periodic: true }],
];

/** Whether a result holds only finite numbers, however deep. */
function allFinite(value: unknown): boolean {
  if (typeof value === 'number') return Number.isFinite(value);
  if (value instanceof Float64Array) return value.every(Number.isFinite);
  if (Array.isArray(value)) return value.every(allFinite);
  if (typeof value === 'object' && value !== null) return Object.values(value).every(allFinite);
  return true;
}

describe('hard curves', { timeout: 30_000 }, () => {
  it.each(hard)(
    '%s: every operation gives finite numbers or the typed error, and leaves its argument',
    (_, curve) => {
      validateCurve(curve);
      const before = JSON.stringify(curve);
      const [start, end] = domainOf(curve.knots, curve.degree);
      const middle = (start + end) / 2;
      for (const [name, operation] of operations) {
        const parameters = [middle, start, end, middle + 2 ** -53, Math.min(end, middle * (1 + 2 ** -52))];
        for (const u of operation.length > 1 ? parameters : parameters.slice(0, 1)) {
          let result: unknown;
          try {
            result = operation(curve, u);
          } catch (error) {
            expect(error, name).toBeInstanceOf(CurveError);
            continue;
          }
          expect(allFinite(result), `${name} at ${u}`).toBe(true);
        }
      }
      expect(JSON.stringify(curve)).toBe(before);
    },
  );
});

describe('broken curves', () => {
  it.each(broken)('%s is refused with the typed error', (_, curve) => {
    expect(() => validateCurve(curve)).toThrow(CurveError);
  });

  it.each([NaN, Infinity, -Infinity, -1, 2])('the parameter %s is refused by all that take one', (u) => {
    for (const operation of [
      pointAt,
      curvatureAt,
      curvatureDerivativeAt,
      insertKnot,
      splitCurve,
      deBoorConstruction,
      deCasteljauConstruction,
      removeKnot,
      moveSeam,
      (curve: Curve, at: number) => pointsAt(curve, [0.5, at]),
      (curve: Curve, at: number) => derivativesAtMany(curve, [at], 1),
      (curve: Curve, at: number) => extractPart(curve, 0, at),
      (curve: Curve, at: number) => arcLengthTable(curve).lengthAt(at),
    ]) {
      expect(() => operation(base, u)).toThrow(CurveError);
    }
  });
});

describe('messages', () => {
  it('have numbers that can be read, while the value keeps all its digits', () => {
    const at = 1 / 3;
    const error = (() => {
      try {
        splitCurve({ ...base, knots: base.knots.map((knot) => knot + at) }, at);
      } catch (thrown) {
        return thrown as CurveError;
      }
      throw new Error('nothing was thrown');
    })();
    expect(error.message).toContain('0.3333333333;');
    expect(error.value).toBe(at);
    const ends = { start: -1.5e-12, end: 1.23456789012345e-7 };
    expect(told('emptyDomain', ends).parameters).toEqual(ends);
    expect(sentenceOf(told('emptyDomain', ends), coreSentences)).toBe(
      'The domain from -1.5e-12 to 1.23456789e-7 has no length.',
    );
  });
});
