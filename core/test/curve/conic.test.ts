import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  arcFromBulge,
  arcFromEnds,
  arcThroughPoints,
  circularArc,
  exactCircle,
  exactEllipse,
} from '../../src/curve/circle.js';
import { circleLayouts } from '../../src/curve/circleLayouts.js';
import {
  approximateCircle,
  approximateCircleByCubics,
  bestCircle,
  circleError,
  circleErrorsAt,
} from '../../src/curve/circleError.js';
import { classifyConic } from '../../src/curve/classifyConic.js';
import { conicFromShoulder, conicFromTangents, rhoOf, shoulderOf } from '../../src/curve/conic.js';
import { measureContinuity } from '../../src/curve/continuity.js';
import type { Point } from '../../src/curve/curve.js';
import { elevateDegree } from '../../src/curve/elevateDegree.js';
import { CurveError } from '../../src/curve/error.js';
import { pointAt } from '../../src/curve/evaluate.js';
import { insertKnot } from '../../src/curve/insertKnot.js';
import { domainOf } from '../../src/curve/knotVector.js';
import { lengthOfCurve } from '../../src/curve/length.js';
import { validateCurve } from '../../src/curve/validate.js';
import { expectClose } from './reference.js';
import { holds } from '../holds.js';

const unitPlace = { centre: [0, 0], radius: 1, x: [1, 0], y: [0, 1] };
/** Without numbers so small that they are no size. */
const coordinate = fc
  .double({ min: -100, max: 100, noNaN: true })
  .map((value) => (Math.abs(value) < 1e-30 ? 0 : value));
const place = fc.tuple(coordinate, coordinate);

describe('a conic by its ends', () => {
  it('has its half axes to rounding, however flat it is', () => {
    // The ellipse (x / 1)² + (y / b)² = 1 between two places at the angles ±t, whose tangents meet on the x axis.
    holds(
      fc.property(
        fc.double({ min: -5, max: 0, noNaN: true }),
        fc.double({ min: 0.01, max: 1.5, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (exponent, flat, turn) => {
          // Half the angle between the ends falls short of a quarter turn by about rho.
          const t = Math.PI / 2 - 10 ** exponent;
          const [c, s] = [Math.cos(turn), Math.sin(turn)];
          const at = (x: number, y: number): Point => [c * x - s * flat * y, s * x + c * flat * y];
          const middle = Math.cos(t);
          const conic = {
            degree: 2,
            knots: [0, 0, 0, 1, 1, 1],
            points: [at(Math.cos(t), -Math.sin(t)), at(1 / middle, 0), at(Math.cos(t), Math.sin(t))],
            weights: [1, middle, 1],
          };
          const { axes, kind } = classifyConic(conic);
          const halves = axes!.map(({ half }) => half!);
          const expected = [Math.max(1, flat), Math.min(1, flat)];
          expect(kind).toBe(Math.abs(flat - 1) < 1e-9 ? 'circle' : 'ellipse');
          // The points carry rounding of about the tangent intersection's size.
          halves.forEach((half, k) => {
            expect(Math.abs(half / expected[k]! - 1)).toBeLessThan(1e-13 / middle + 1e-12);
          });
        },
      ),
    );
  });

  it.each([0.01, 0.001, 0.0001, 1e-6])('with rho %s has the half axes of Lee’s formulas', (rho) => {
    // With the chord from (−1, 0) to (1, 0) and the intersection at (0, 1).
    const k = rho / (1 - rho);
    const conic = conicFromTangents([-1, 0], [0, 1], [1, 0], rho);
    const { axes, centre } = classifyConic(conic);
    const [a, b] = axes!.map(({ half }) => half!);
    expect(a! * Math.sqrt((1 - k) * (1 + k))).toBeCloseTo(1, 14);
    expect((b! * ((1 - k) * (1 + k))) / k).toBeCloseTo(1, 14);
    expect(centre![1]!).toBeCloseTo((-k * k) / ((1 - k) * (1 + k)), 14);
  });
});

describe('exact circles', () => {
  it.each(circleLayouts)('%s stays on the radius within 1e-14 of it, anywhere', (layout) => {
    for (const [centre, radius] of [
      [[0, 0], 1],
      [[12, -7], 5.5],
      [[0, 0], 1e-3],
    ] as const) {
      const circle = exactCircle({ ...unitPlace, centre, radius }, layout);
      validateCurve(circle);
      const size = Math.max(radius, ...centre.map(Math.abs));
      expect(Math.abs(circleError(circle, centre, radius).largest)).toBeLessThanOrEqual(1e-14 * size);
      const errors = circleErrorsAt(
        circle,
        centre,
        radius,
        Array.from({ length: 5001 }, (_, k) => k / 5000),
      );
      errors.forEach((error) => expect(Math.abs(error)).toBeLessThanOrEqual(1e-14 * size));
      expect(lengthOfCurve(circle) / (2 * Math.PI * radius)).toBeCloseTo(1, 12);
      expect(circle.points.at(-1)).toEqual(circle.points[0]);
    }
  });

  it('has the weights and counts of its layout', () => {
    const nine = exactCircle(unitPlace, 'quadratic9');
    expect(nine.points).toHaveLength(9);
    nine.weights!.forEach((weight, k) => expect(weight).toBeCloseTo(k % 2 === 0 ? 1 : Math.SQRT1_2, 15));
    expect(nine.points.map(([x, y]) => [Math.round(x!) + 0, Math.round(y!) + 0])).toContainEqual([1, 1]);
    expect(exactCircle(unitPlace, 'quadratic7').weights![1]).toBeCloseTo(0.5, 15);
    const cubic = exactCircle(unitPlace, 'cubic7');
    cubic.weights!.forEach((weight, k) => expect(weight).toBeCloseTo(k % 3 === 0 ? 1 : 1 / 3, 15));
    const quintic = exactCircle(unitPlace, 'quintic6');
    const last = quintic.weights![1]!;
    expect(quintic.weights!.map((weight) => Math.round(weight / last))).toEqual([5, 1, 1, 1, 1, 5]);
    expect(measureContinuity(nine).every(({ geometric }) => geometric >= 2)).toBe(true);
  });

  it('is disturbed by one knot, and the error says where', () => {
    const nine = exactCircle({ ...unitPlace, radius: 10 }, 'quadratic9');
    const disturbed = { ...nine, knots: nine.knots.map((u, k) => (k === 3 ? 0.2 : u)) };
    const { largest, parameter } = circleError(disturbed, [0, 0], 10);
    expect(Math.abs(largest)).toBeGreaterThan(0.05);
    expect(parameter).toBeLessThan(0.5);
    const flat = { ...nine, weights: nine.weights!.map(() => 1) };
    expect(Math.abs(circleError(flat, [0, 0], 10).largest)).toBeGreaterThan(0.5);
  });

  it('as an ellipse satisfies its equation', () => {
    for (const layout of circleLayouts) {
      const ellipse = exactEllipse([3, 4], [5, 1], [-0.4, 2], layout);
      for (let u = 0; u <= 1; u += 0.01) {
        const [x, y] = pointAt(ellipse, u).map((value, axis) => value - [3, 4][axis]!) as [number, number];
        const det = 5 * 2 - 1 * -0.4;
        const [a, b] = [(x * 2 - y * -0.4) / det, (5 * y - 1 * x) / det];
        expect(a * a + b * b).toBeCloseTo(1, 12);
      }
    }
    expect(() => exactEllipse([0, 0], [1, 1], [2, 2], 'cubic7')).toThrow(CurveError);
    expect(() => exactCircle({ ...unitPlace, radius: 0 }, 'cubic7')).toThrow(CurveError);
    expect(() => exactCircle({ ...unitPlace, radius: NaN }, 'quadratic9')).toThrow(CurveError);
  });
});

describe('arcs', () => {
  it('through three points keep ends and pass the third, on one circle, in plane and space', () => {
    holds(
      fc.property(place, place, place, fc.boolean(), (a, b, c, lifted) => {
        const lift = (point: Point, z: number): Point => (lifted ? [...point, z] : point);
        const [start, through, end] = [lift(a, 1), lift(b, -4), lift(c, 30)];
        const sides = [
          [start, through],
          [through, end],
          [start, end],
        ].map(([p, q]) => Math.hypot(...p!.map((value, axis) => value - q![axis]!)));
        let arc;
        try {
          arc = arcThroughPoints(start, through, end);
        } catch (error) {
          expect(error).toBeInstanceOf(CurveError);
          return;
        }
        validateCurve(arc);
        expect(arc.points[0]).toEqual(start);
        expect(arc.points.at(-1)).toEqual(end);
        const radius =
          (sides[0]! * sides[1]! * sides[2]!) / 2 / Math.max(1e-300, 2 * triangle(start, through, end));
        if (radius > 1e4 || Math.min(...sides) < 0.1) return;
        // The point between lies on the arc, and all of it at one distance from one centre.
        const nearest = Math.min(
          ...Array.from({ length: 4001 }, (_, k) =>
            Math.hypot(...pointAt(arc, k / 4000).map((value, axis) => value - through[axis]!)),
          ),
        );
        expect(nearest).toBeLessThan(lengthOfCurve(arc) / 3000 + 1e-9);
      }),
    );
  });

  it('from ends and radius or bulge have that radius and lie on that side', () => {
    const [start, end] = [
      [0, 0],
      [6, 0],
    ];
    for (const side of ['left', 'right'] as const) {
      for (const large of [false, true]) {
        const arc = arcFromEnds(start, end, 5, side, large);
        const { radius, centre } = bestCircle(arc);
        expect(radius).toBeCloseTo(5, 9);
        expect(Math.sign(pointAt(arc, 0.5)[1]!)).toBe(side === 'left' ? 1 : -1);
        expect(Math.abs(centre[1]!)).toBeCloseTo(4, 9);
        expect(lengthOfCurve(arc) > 5 * Math.PI).toBe(large);
      }
    }
    const half = arcFromBulge(start, end, 1);
    expect(lengthOfCurve(half)).toBeCloseTo(3 * Math.PI, 12);
    expect(pointAt(half, 0.5)[1]).toBeCloseTo(-3, 12);
    expect(() => arcFromEnds(start, end, 2)).toThrow(/at least 3/);
    // What is read in the sentence can be typed.
    for (const [x, y] of [
      [153.1, 37.7],
      [0.00312345678, 0.001],
      [1 / 3, 7e5],
    ]) {
      const message = (() => {
        try {
          arcFromEnds([0, 0], [x!, y!], 1e-9);
        } catch (error) {
          return (error as Error).message;
        }
        return '';
      })();
      const least = Number(/at least (.*), half/.exec(message)![1]);
      expect(least / (Math.hypot(x!, y!) / 2)).toBeLessThan(1.00002);
      expect(arcFromEnds([0, 0], [x!, y!], least).points).toHaveLength(5);
    }
    expect(() => arcFromBulge(start, end, 0)).toThrow(CurveError);
    expect(() => arcFromBulge(start, start, 1)).toThrow(CurveError);
    expect(() => arcThroughPoints(start, [3, 0], end)).toThrow(/on a line/);
    expect(() => circularArc(unitPlace, 0, 7)).toThrow(CurveError);
    expect(() => circularArc(unitPlace, NaN, 1)).toThrow(CurveError);
  });
});

/** Twice the area of a triangle over two, in any dimension. */
function triangle(a: Point, b: Point, c: Point): number {
  const sub = (p: Point, q: Point): number[] => p.map((value, axis) => value - q[axis]!);
  const [u, v] = [sub(b, a), sub(c, a)];
  const dot = (p: Point, q: Point): number => p.reduce((sum, value, axis) => sum + value * q[axis]!, 0);
  return Math.sqrt(Math.max(0, dot(u, u) * dot(v, v) - dot(u, v) ** 2)) / 2;
}

describe('conics from ends and tangents', () => {
  const [start, top, end] = [
    [0, 0],
    [30, 80],
    [100, 10],
  ] as const;

  it('have their shoulder at rho between chord and tangent intersection, both ways round', () => {
    for (const rho of [0.1, 0.41, 0.5, 0.8, 0.99]) {
      const conic = conicFromTangents(start, top, end, rho);
      expect(rhoOf(conic)).toBeCloseTo(rho, 14);
      expectClose(shoulderOf(conic), pointAt(conic, 0.5), 1e-13, 100);
      const again = conicFromShoulder(start, shoulderOf(conic), end, rho);
      again.points.forEach((point, k) => expectClose(point, conic.points[k]!, 1e-12, 100));
    }
    for (const rho of [0, 1, -1, NaN, Infinity]) {
      expect(() => conicFromTangents(start, top, end, rho)).toThrow(/Rho/);
    }
    expect(() => rhoOf(elevateDegree(conicFromTangents(start, top, end, 0.5)))).toThrow(/degree 3/);
  });

  it('go from ellipse over parabola to hyperbola, and their equation holds on all of them', () => {
    const kinds = [0.2, 0.499, 0.5, 0.501, 0.9].map((rho) => {
      const conic = conicFromTangents(start, top, end, rho);
      const found = classifyConic(conic);
      const [A, B, C, D, E, F] = found.equation;
      for (let u = 0; u <= 1; u += 0.05) {
        const [x, y] = pointAt(conic, u) as [number, number];
        const terms = [A * x * x, B * x * y, C * y * y, D * x, E * y, F];
        const size = Math.max(...terms.map(Math.abs));
        expect(Math.abs(terms.reduce((sum, term) => sum + term, 0))).toBeLessThanOrEqual(
          1e-12 * Math.max(1, size),
        );
      }
      return found.kind;
    });
    expect(kinds).toEqual(['ellipse', 'ellipse', 'parabola', 'hyperbola', 'hyperbola']);
  });

  it('have foci by which every point is at a constant sum, difference, or at the directrix’s distance', () => {
    holds(
      fc.property(
        place,
        place,
        place,
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.constantFrom(0.5, 0),
        (a, b, c, any, parabola) => {
          if (triangle(a, b, c) < 1) return;
          const rho = parabola || any;
          if (Math.abs(rho - 0.5) < 0.02 && rho !== 0.5) return;
          const conic = conicFromTangents(a, b, c, rho);
          const { kind, foci, vertex, axes, eccentricity } = classifyConic(conic);
          const values = [0, 0.2, 0.5, 0.7, 1].map((u) => {
            const point = pointAt(conic, u);
            const [one, two] = foci.map((focus) => Math.hypot(point[0]! - focus[0]!, point[1]! - focus[1]!));
            if (kind === 'ellipse' || kind === 'circle') return one! + two!;
            if (kind === 'hyperbola') return Math.abs(one! - two!);
            const along = axes![0]!.direction;
            const focal = Math.hypot(foci[0]![0]! - vertex![0]!, foci[0]![1]! - vertex![1]!);
            const height = (point[0]! - vertex![0]!) * along[0]! + (point[1]! - vertex![1]!) * along[1]!;
            return one! - (height + focal);
          });
          const size = kind === 'parabola' ? 1e4 : Math.max(2 * axes![0]!.half!, 100);
          values.forEach((value) => expect(Math.abs(value - values[0]!)).toBeLessThan(1e-6 * size));
          if (kind === 'ellipse') expect(values[0]! / axes![0]!.half! / 2).toBeCloseTo(1, 6);
          if (kind === 'parabola') expect(eccentricity).toBe(1);
          if (kind === 'hyperbola') expect(eccentricity).toBeGreaterThan(1);
        },
      ),
    );
  });

  it('are told for a circle, a line, in space, and whatever the end weights', () => {
    const quarter = circularArc({ ...unitPlace, centre: [5, 6], radius: 3 }, 0.3, 1.2);
    const found = classifyConic(quarter);
    expect(found.kind).toBe('circle');
    expectClose(found.centre!, [5, 6], 1e-12);
    expect(found.axes![0]!.half).toBeCloseTo(3, 12);
    const scaled = { ...quarter, weights: [2, quarter.weights![1]! * 6, 18] };
    expect(classifyConic(scaled).kind).toBe('circle');
    const lifted = { ...quarter, points: quarter.points.map(([x, y]) => [y!, 4, x!]) };
    expect(classifyConic(lifted).kind).toBe('circle');
    expectClose(classifyConic(lifted).centre!, [6, 4, 5], 1e-12);
    expect(classifyConic(conicFromTangents([0, 0], [1, 1], [3, 3], 0.4)).kind).toBe('line');
    expect(() => classifyConic(insertKnot(quarter, 0.5))).toThrow(CurveError);
  });
});

describe('what only looks round', () => {
  it('is measured: periodic curves and chains of cubics', () => {
    let before = Infinity;
    for (const count of [4, 6, 8, 12]) {
      const { curve, error } = approximateCircle([1, 2], 10, 3, count);
      validateCurve(curve);
      expect(Math.abs(error.largest)).toBeLessThan(before);
      before = Math.abs(error.largest);
    }
    const { error } = approximateCircleByCubics([0, 0], 1, 4);
    // The quarter with handles of 4/3 (√2 − 1) is 2.7 in ten thousand too far out.
    expect(error.largest).toBeCloseTo(2.725e-4, 6);
    const [start, end] = domainOf(approximateCircle([0, 0], 1, 2, 3).curve.knots, 2);
    expect([start, end]).toEqual([0, 1]);
    expect(() => approximateCircle([0, 0], 1, 3, 2)).toThrow(CurveError);
    expect(() => approximateCircle([0, 0], -1, 3, 8)).toThrow(CurveError);
    expect(() => approximateCircleByCubics([0, 0], 1, 1)).toThrow(CurveError);
    expect(() => circleError(approximateCircleByCubics([0, 0], 1, 4).curve, [0], 1)).toThrow(CurveError);
  });

  it('has a best circle, exact for an exact one', () => {
    const { centre, radius } = bestCircle(circularArc({ ...unitPlace, centre: [50, -3], radius: 7 }, 1, 0.8));
    expectClose(centre, [50, -3], 1e-10);
    expect(radius).toBeCloseTo(7, 9);
    const line = {
      degree: 1,
      knots: [0, 0, 1, 1],
      points: [
        [0, 0],
        [5, 5],
      ],
    };
    expect(() => bestCircle(line)).toThrow(CurveError);
  });
});
