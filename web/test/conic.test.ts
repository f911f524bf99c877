import { pointAt, type Curve } from '@bogen/core/curve';
import { describe, expect, it } from 'vitest';
import { branchesOf, conicAt, drawConic } from '../src/figure/paint/drawConic.js';
import { planeProjection } from '../src/figure/geometry/projection.js';
import { FakeContext, palette } from './support/canvas.js';

/** A quadratic piece with the middle weight that makes it each kind of conic. */
const piece = (weight: number): Curve => ({
  degree: 2,
  knots: [0, 0, 0, 1, 1, 1],
  points: [
    [0, 0],
    [30, 60],
    [80, 10],
  ],
  weights: [1, weight, 1],
});
const kinds = [
  ['ellipse', 0.5, 1],
  ['parabola', 1, 1],
  ['hyperbola', 2.5, 2],
] as const;

describe('the conic at the cursor', () => {
  it.each(kinds)(
    'is drawn as a whole through points that its equation holds for: %s',
    (kind, weight, count) => {
      const conic = conicAt(piece(weight), 0.3)!;
      expect(conic.kind).toBe(kind);
      const branches = branchesOf(conic, 200);
      expect(branches).toHaveLength(count);
      const [A, B, C, D, E, F] = conic.equation;
      for (const [x, y] of branches.flat() as [number, number][]) {
        const terms = [A * x * x, B * x * y, C * y * y, D * x, E * y, F];
        const sum = terms.reduce((total, term) => total + term, 0);
        expect(Math.abs(sum)).toBeLessThan(1e-9 * Math.max(...terms.map(Math.abs)));
      }
      // The piece itself lies on them.
      for (const u of [0, 0.25, 0.5, 1]) {
        const [x, y] = pointAt(piece(weight), u) as [number, number];
        const away = Math.min(...branches.flat().map((place) => Math.hypot(place[0]! - x, place[1]! - y)));
        expect(away).toBeLessThan(12);
      }
    },
  );

  it('is that of the span in which the cursor stands, and none for another degree or a straight span', () => {
    const two: Curve = {
      degree: 2,
      knots: [0, 0, 0, 1, 1, 2, 2, 2],
      points: [...piece(1).points, [130, -40], [200, 0]],
      weights: [1, 0.5, 1, 2.5, 1],
    };
    expect(conicAt(two, 0.5)!.kind).toBe('ellipse');
    expect(conicAt(two, 1.5)!.kind).toBe('hyperbola');
    expect(conicAt(two, 2)!.kind).toBe('hyperbola');
    const straight = {
      ...piece(1),
      points: [
        [0, 0],
        [10, 10],
        [30, 30],
      ],
    };
    expect(conicAt(straight, 0.5)).toBeNull();
    const line = {
      degree: 1,
      knots: [0, 0, 1, 1],
      points: [
        [0, 0],
        [9, 9],
      ],
    };
    expect(conicAt(line, 0.5)).toBeNull();
  });

  it.each([
    ['ellipse', 0.5, { dots: 2, dashes: 2 }],
    ['parabola', 1, { dots: 1, dashes: 1 }],
    ['hyperbola', 2.5, { dots: 2, dashes: 4 }],
  ] as const)('has its foci, asymptotes and directrices: %s', (_, weight, { dots, dashes }) => {
    const drawn = new FakeContext();
    const projection = planeProjection({ left: -50, right: 150, bottom: -20, top: 80, grid: 10 }, 800, 400);
    drawConic(drawn.context, piece(weight), 0.5, projection, palette);
    expect(drawn.named('fill')).toHaveLength(dots);
    const long = drawn.named('setLineDash').filter(({ args }) => (args[0] as number[])[0]! >= 8);
    expect(long).toHaveLength(dashes);
  });

  it('of a circle has no foci apart from its centre', () => {
    const circle: Curve = {
      ...piece(Math.SQRT1_2),
      points: [
        [10, 0],
        [10, 10],
        [0, 10],
      ],
    };
    const drawn = new FakeContext();
    const projection = planeProjection({ left: -50, right: 150, bottom: -20, top: 80, grid: 10 }, 800, 400);
    drawConic(drawn.context, circle, 0.5, projection, palette);
    expect(drawn.named('fill')).toHaveLength(0);
    expect(drawn.named('stroke').length).toBeGreaterThan(2);
  });
});
