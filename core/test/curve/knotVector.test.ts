import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { guaranteedContinuity } from '../../src/curve/continuity.js';
import type { Curve } from '../../src/curve/curve.js';
import { CurveError, type CurveErrorKind } from '../../src/curve/error.js';
import {
  clampedUniformKnots,
  distinctKnots,
  domainOf,
  findSpan,
  fullKnotList,
  grevilleAbscissae,
  interiorKnots,
  isClamped,
  shortKnotList,
  spansOf,
  validateKnots,
} from '../../src/curve/knotVector.js';
import { supportOf } from '../../src/curve/support.js';
import { validateCurve } from '../../src/curve/validate.js';
import { arbitraryCurve, arbitraryCurveAndParameter } from './arbitrary.js';
import { holds } from '../holds.js';

describe('validation', () => {
  it('accepts every curve the generator makes', () => {
    holds(fc.property(arbitraryCurve(), (curve) => validateCurve(curve)));
  });

  const square = [
    [0, 0],
    [1, 0],
    [1, 1],
    [0, 1],
  ];
  const good: Curve = { degree: 3, knots: [0, 0, 0, 0, 1, 1, 1, 1], points: square };
  const cases: [string, Curve, CurveErrorKind, number | undefined][] = [
    ['degree 0', { ...good, degree: 0 }, 'degree', undefined],
    ['degree 10', { ...good, degree: 10 }, 'degree', undefined],
    ['degree 2.5', { ...good, degree: 2.5 }, 'degree', undefined],
    ['too few points', { ...good, points: square.slice(1) }, 'point-count', undefined],
    ['no points', { ...good, points: [] }, 'point-count', undefined],
    ['too few knots', { ...good, knots: good.knots.slice(1) }, 'knot-count', undefined],
    ['a decreasing knot', { ...good, knots: [0, 0, 0, 0.2, 0.1, 1, 1, 1] }, 'knot-order', 4],
    ['a NaN knot', { ...good, knots: [0, 0, NaN, 0, 1, 1, 1, 1] }, 'knot', 2],
    ['an infinite knot', { ...good, knots: [0, 0, 0, 0, 1, 1, 1, Infinity] }, 'knot', 7],
    ['too many repeats', { ...good, knots: [0, 0, 0, 0, 0, 1, 1, 1] }, 'knot-multiplicity', 4],
    [
      'no domain',
      { ...good, degree: 1, points: square.slice(2), knots: [0, 1, 1, 2] },
      'empty-domain',
      undefined,
    ],
    ['a NaN coordinate', { ...good, points: [...square.slice(0, 3), [NaN, 1]] }, 'point', 3],
    ['mixed dimensions', { ...good, points: [[0, 0, 0], ...square.slice(1)] }, 'point', 1],
    ['missing weight', { ...good, weights: [1, 1, 1] }, 'weight-count', undefined],
    ['zero weight', { ...good, weights: [1, 0, 1, 1] }, 'weight', 1],
    ['NaN weight', { ...good, weights: [1, 1, NaN, 1] }, 'weight', 2],
  ];
  it.each(cases)('refuses %s', (_, curve, kind, index) => {
    let error: unknown;
    try {
      validateCurve(curve);
    } catch (caught) {
      error = caught;
    }
    expect(error).toBeInstanceOf(CurveError);
    expect(error).toMatchObject({ kind, index });
  });

  it('allows degree + 1 repeats and no more', () => {
    validateKnots([0, 0, 1, 1, 2, 2], 1, 4);
    expect(() => validateKnots([0, 0, 1, 1, 1, 2, 2], 1, 5)).toThrow(/repeats the value 1 more than 2 times/);
  });
});

describe('clamped uniform knots', () => {
  it('are clamped, evenly spaced and fit their points', () => {
    holds(
      fc.property(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 0, max: 30 }), (degree, more) => {
        const count = degree + 1 + more;
        const knots = clampedUniformKnots(count, degree, -2, 5);
        expect(isClamped(knots, degree)).toBe(true);
        expect(domainOf(knots, degree)).toEqual([-2, 5]);
        const spans = spansOf(knots, degree);
        expect(spans).toHaveLength(count - degree);
        for (const span of spans) expect(span.end - span.start).toBeCloseTo(7 / spans.length, 12);
      }),
    );
  });
  it('refuse fewer than degree + 1 points', () => {
    expect(() => clampedUniformKnots(3, 3)).toThrow(CurveError);
  });
});

describe('multiplicities', () => {
  it('add up to the length of the vector', () => {
    holds(
      fc.property(arbitraryCurve(), ({ knots, degree }) => {
        const distinct = distinctKnots(knots, degree);
        expect(distinct.reduce((sum, { multiplicity }) => sum + multiplicity, 0)).toBe(knots.length);
        distinct.forEach(({ value, first }) => expect(knots[first]).toBe(value));
      }),
    );
  });
  it('take values closer than 1e-9 of the domain for one', () => {
    const knots = [0, 0, 0, 5, 5 + 5e-9, 10, 10, 10];
    expect(interiorKnots(knots, 2)).toEqual([{ value: 5, multiplicity: 2, first: 3 }]);
    expect(interiorKnots([0, 0, 0, 5, 5 + 2e-8, 10, 10, 10], 2)).toHaveLength(2);
  });
  it('guarantee continuity of degree minus multiplicity', () => {
    const curve: Curve = {
      degree: 3,
      knots: [0, 0, 0, 0, 1, 2, 2, 3, 3, 3, 4, 4, 4, 4],
      points: Array.from({ length: 10 }, (_, index) => [index, index % 2]),
    };
    expect(guaranteedContinuity(curve).map(({ order }) => order)).toEqual([2, 1, 0]);
  });
});

describe('Greville abscissae', () => {
  it('never decrease and lie inside the domain of a clamped vector, its ends first and last', () => {
    holds(
      fc.property(arbitraryCurve({ clampedOnly: true }), ({ knots, degree, points }) => {
        const abscissae = grevilleAbscissae(knots, degree);
        const [start, end] = domainOf(knots, degree);
        expect(abscissae).toHaveLength(points.length);
        expect(abscissae[0]).toBe(start);
        expect(abscissae.at(-1)).toBe(end);
        abscissae.forEach((value, index) => expect(value >= (abscissae[index - 1] ?? start)).toBe(true));
      }),
    );
  });
  it('are the means of degree knots in a row', () => {
    const knots = [0, 0, 0, 0, 1, 3, 3, 7, 7, 7, 7];
    const expected = [0, 1 / 3, 4 / 3, 7 / 3, 13 / 3, 17 / 3, 7];
    grevilleAbscissae(knots, 3).forEach((value, index) => expect(value).toBeCloseTo(expected[index]!, 14));
  });
});

describe('the two conventions', () => {
  it('lead back to each other', () => {
    holds(
      fc.property(arbitraryCurve({ clampedOnly: true }), ({ knots, points, degree }) => {
        const short = shortKnotList(knots);
        expect(short).toHaveLength(points.length + degree - 1);
        expect(fullKnotList(short)).toEqual(knots);
      }),
    );
  });
});

describe('span search', () => {
  it('finds the span that holds the parameter, from either side', () => {
    holds(
      fc.property(arbitraryCurveAndParameter(), ({ curve: { knots, degree }, u }) => {
        const [start, end] = domainOf(knots, degree);
        const right = findSpan(knots, degree, u);
        const left = findSpan(knots, degree, u, 'left');
        expect(knots[right]! < knots[right + 1]!).toBe(true);
        expect(knots[left]! < knots[left + 1]!).toBe(true);
        expect(knots[right]! <= u && (u < knots[right + 1]! || u === end)).toBe(true);
        expect((knots[left]! < u || u === start) && u <= knots[left + 1]!).toBe(true);
      }),
    );
  });
});

describe('support', () => {
  it('takes in the spans that the point has a part in, and every span belongs to degree + 1 points', () => {
    holds(
      fc.property(arbitraryCurve(), (curve) => {
        const counts = new Map<number, number>();
        curve.points.forEach((_, index) => {
          const [from, to] = supportOf(curve, index);
          for (const span of spansOf(curve.knots, curve.degree)) {
            if (span.start >= from && span.end <= to)
              counts.set(span.index, (counts.get(span.index) ?? 0) + 1);
          }
        });
        expect([...counts.values()].every((count) => count === curve.degree + 1)).toBe(true);
      }),
    );
  });
});
