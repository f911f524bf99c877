import { changedPart, changedSpans } from '../../src/figure/index.js';
import { basisAt, insertKnot, pointAt, spansOf, type Curve } from '../../src/curve/index.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { holds } from '../holds.js';

/** A clamped curve on evenly spaced knots, of which some points and one knot can be elsewhere. */
const curves = fc
  .record({
    degree: fc.integer({ min: 1, max: 4 }),
    spans: fc.integer({ min: 1, max: 9 }),
    rational: fc.boolean(),
  })
  .map(({ degree, spans, rational }): Curve => {
    const inner = Array.from({ length: spans - 1 }, (_, k) => k + 1);
    const ends = (value: number): number[] => Array.from({ length: degree + 1 }, () => value);
    const points = Array.from({ length: spans + degree }, (_, k) => [10 * k, 7 * Math.sin(2 * k)]);
    const knots = [...ends(0), ...inner, ...ends(spans)];
    return { degree, knots, points, ...(rational ? { weights: points.map((_, k) => 1 + (k % 3)) } : {}) };
  });

const changes = fc.record({
  point: fc.option(fc.nat(100)),
  knot: fc.option(fc.nat(100)),
  weight: fc.option(fc.nat(100)),
  shift: fc.double({ min: 0.1, max: 1, noNaN: true }),
});

/** One point, weight and inner knot are others, as far as they are asked for. */
function changed(
  curve: Curve,
  { point, knot, weight, shift }: typeof changes extends fc.Arbitrary<infer T> ? T : never,
): Curve {
  const { degree, knots, points, weights } = curve;
  const at = (index: number | null, count: number): number =>
    index === null || count === 0 ? -1 : index % count;
  const inner = at(knot, knots.length - 2 * degree - 2);
  return {
    ...curve,
    points: points.map((place, k) =>
      k === at(point, points.length) ? [place[0]! + shift, place[1]!] : place,
    ),
    knots: knots.map((value, k) => (inner >= 0 && k === inner + degree + 1 ? value + shift : value)),
    ...(weights
      ? { weights: weights.map((value, k) => (k === at(weight, weights.length) ? value + shift : value)) }
      : {}),
  };
}

const parameters = (curve: Curve): number[] =>
  spansOf(curve.knots, curve.degree).flatMap(({ start, end }) =>
    [0.01, 0.3, 0.5, 0.8, 0.99].map((t) => start + t * (end - start)),
  );

describe('the part of a curve that a change reaches', () => {
  it('has all parameters at which the curve or a basis function is another', () => {
    holds(
      fc.property(curves, changes, (before, change) => {
        const now = changed(before, change);
        const [from, to] = changedPart(before, now)!;
        for (const u of parameters(before)) {
          if (u > from && u < to) continue;
          expect(pointAt(now, u)).toEqual(pointAt(before, u));
          expect([...basisAt(now, u).values]).toEqual([...basisAt(before, u).values]);
        }
      }),
    );
  });

  it('has all spans in which the curve is another, as each of the curves counts them', () => {
    holds(
      fc.property(curves, changes, (before, change) => {
        const now = changed(before, change);
        const ranges = changedSpans(before, now)!;
        for (const [curve, [first, end]] of [
          [before, ranges.before],
          [now, ranges.now],
        ] as const) {
          spansOf(curve.knots, curve.degree).forEach(({ start, end: last }, span) => {
            if (span >= first && span < end) return;
            const u = start + 0.4 * (last - start);
            expect(pointAt(now, u)).toEqual(pointAt(before, u));
          });
        }
      }),
    );
  });

  it('is not the whole where one point of many moves, and empty where nothing does', () => {
    const [before] = fc.sample(
      curves.filter(({ points }) => points.length > 9),
      1,
    );
    const now = changed(before!, { point: 0, knot: null, weight: null, shift: 1 });
    expect(changedSpans(before!, now)).toEqual({ before: [0, 1], now: [0, 1] });
    expect(changedSpans(before!, { ...before! })).toEqual({ before: [0, 0], now: [0, 0] });
    const [from, to] = changedPart(before!, { ...before! })!;
    expect(to).toBe(from);
  });

  it('is not told of curves with another number of points, or another degree', () => {
    const before: Curve = {
      degree: 2,
      knots: [0, 0, 0, 1, 1, 1],
      points: [
        [0, 0],
        [1, 2],
        [3, 0],
      ],
    };
    const other: Curve = { ...before, degree: 1, knots: [0, 0, 0.5, 1, 1] };
    for (const now of [insertKnot(before, 0.5), other]) {
      expect(changedPart(before, now)).toBeUndefined();
      expect(changedSpans(before, now)).toBeUndefined();
    }
  });

  it('of the first weight is that of its control point: without weights all of them are one', () => {
    const before: Curve = {
      degree: 2,
      knots: [0, 0, 0, 1, 2, 3, 4, 4, 4],
      points: [0, 1, 2, 3, 4, 5].map((x) => [x, x % 2]),
    };
    const ones = before.points.map(() => 1);
    const now = { ...before, weights: ones.with(1, 3) };
    expect(changedPart(before, now)).toEqual([0, 2]);
    expect(changedPart(before, now)).toEqual(changedPart({ ...before, weights: ones }, now));
    expect(changedSpans(before, now)).toEqual(changedSpans({ ...before, weights: ones }, now));
  });
});
