import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { circularArc } from '../../src/curve/circle.js';
import { classifyConic } from '../../src/curve/classifyConic.js';
import { conicFromTangents } from '../../src/curve/conic.js';
import { asymptotesOf, directricesOf, type StraightLine } from '../../src/curve/conicLines.js';
import type { Point } from '../../src/curve/curve.js';
import { pointAt } from '../../src/curve/evaluate.js';
import { holds } from '../holds.js';

const place = fc.tuple(fc.integer({ min: -50, max: 50 }), fc.integer({ min: -50, max: 50 }));
const doubleArea = (a: Point, b: Point, c: Point): number =>
  Math.abs((b[0]! - a[0]!) * (c[1]! - a[1]!) - (b[1]! - a[1]!) * (c[0]! - a[0]!));
const distance = ([x, y]: Point, { through, direction }: StraightLine): number =>
  Math.abs((x! - through[0]!) * direction[1]! - (y! - through[1]!) * direction[0]!);

describe('the lines of a conic', () => {
  it('are directrices to which each point is as far as to their focus, by the eccentricity', () => {
    const kinds = new Set<string>();
    holds(
      fc.property(
        place,
        place,
        place,
        fc.oneof(fc.constant(0.5), fc.double({ min: 0.1, max: 0.9, noNaN: true })),
        (a, b, c, rho) => {
          if (doubleArea(a, b, c) < 1 || (rho !== 0.5 && Math.abs(rho - 0.5) < 0.02)) return;
          const curve = conicFromTangents(a, b, c, rho);
          const conic = classifyConic(curve);
          if (conic.kind === 'circle' || conic.eccentricity! < 0.05) return;
          kinds.add(conic.kind);
          const lines = directricesOf(conic);
          expect(lines).toHaveLength(conic.foci.length);
          // What cancels is as large as the conic.
          const size = Math.max(
            1e3,
            ...(conic.axes ?? []).map(({ half }) => half ?? 0),
            ...conic.foci.flat().map(Math.abs),
          );
          lines.forEach((line, k) => {
            expect(Math.hypot(...line.direction)).toBeCloseTo(1, 12);
            const focus = conic.foci[k]!;
            for (const u of [0, 0.3, 0.5, 0.9, 1]) {
              const point = pointAt(curve, u);
              const away = Math.hypot(point[0]! - focus[0]!, point[1]! - focus[1]!);
              expect(Math.abs(away - conic.eccentricity! * distance(point, line))).toBeLessThan(1e-6 * size);
            }
          });
        },
      ),
    );
    expect([...kinds].sort()).toEqual(['ellipse', 'hyperbola', 'parabola']);
  });

  it('are asymptotes, to which the product of distances is the same from every point', () => {
    let count = 0;
    holds(
      fc.property(place, place, place, fc.double({ min: 0.55, max: 0.95, noNaN: true }), (a, b, c, rho) => {
        if (doubleArea(a, b, c) < 50) return;
        const curve = conicFromTangents(a, b, c, rho);
        const conic = classifyConic(curve);
        const [one, two] = asymptotesOf(conic) as [StraightLine, StraightLine];
        const [major, minor] = conic.axes!;
        const [p, q] = [major!.half! ** 2, minor!.half! ** 2];
        count++;
        for (const u of [0, 0.4, 1]) {
          const point = pointAt(curve, u);
          expect(distance(point, one) * distance(point, two)).toBeCloseTo((p * q) / (p + q), 3);
        }
      }),
    );
    expect(count).toBeGreaterThan(20);
  });

  it('are none where a conic has none', () => {
    const circle = classifyConic(circularArc({ centre: [5, 6], x: [1, 0], y: [0, 1], radius: 3 }, 0.3, 1.2));
    expect(directricesOf(circle)).toEqual([]);
    expect(asymptotesOf(circle)).toEqual([]);
    const line = classifyConic(conicFromTangents([0, 0], [1, 1], [3, 3], 0.4));
    expect(directricesOf(line)).toEqual([]);
    expect(asymptotesOf(line)).toEqual([]);
    const parabola = classifyConic(conicFromTangents([0, 0], [1, 3], [3, 0], 0.5));
    expect(directricesOf(parabola)).toHaveLength(1);
    expect(asymptotesOf(parabola)).toEqual([]);
  });
});
