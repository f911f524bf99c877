import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { closeCurve, closednessOf, moveSeam, openCurve, periodicFromClosed } from '../../src/curve/close.js';
import { measureContinuity, measureJoint } from '../../src/curve/continuity.js';
import type { Curve, Point } from '../../src/curve/curve.js';
import { curvatureAt, tangentAt } from '../../src/curve/differential.js';
import { elevateDegree } from '../../src/curve/elevateDegree.js';
import { CurveError } from '../../src/curve/error.js';
import { derivativesAt, pointAt } from '../../src/curve/evaluate.js';
import { insertKnot } from '../../src/curve/insertKnot.js';
import { domainOf } from '../../src/curve/knotVector.js';
import { jointContinuities, matchCurve, type CurveEnd } from '../../src/curve/match.js';
import { periodicCurve } from '../../src/curve/periodic.js';
import { clampEnds, extractPart, splitCurve } from '../../src/curve/split.js';
import { validateCurve } from '../../src/curve/validate.js';
import { addScaled, distance } from '../../src/curve/vector.js';
import { arbitraryCurve, sizeOf } from './arbitrary.js';
import { expectClose } from './reference.js';
import { holds } from '../holds.js';

const bout: Curve = {
  degree: 4,
  knots: [0, 0, 0, 0, 0, 0.4, 0.7, 1, 1, 1, 1, 1],
  points: [
    [0, 0],
    [10, 60],
    [60, 90],
    [110, 40],
    [150, 80],
    [190, 20],
    [220, 10],
  ],
};

const waist: Curve = {
  degree: 5,
  knots: [2, 2, 2, 2, 2, 2, 3, 4, 4, 4, 4, 4, 4],
  points: [
    [230, 30],
    [250, 10],
    [300, 40],
    [340, -20],
    [380, 0],
    [400, 60],
    [420, 30],
  ],
  weights: [1, 2, 0.5, 1, 3, 1, 1],
};

describe('measured continuity', () => {
  it('is at least what the multiplicity guarantees, at every knot and at the seam', () => {
    holds(
      fc.property(arbitraryCurve(), (curve) => {
        for (const { parametric, guaranteed, geometric } of measureContinuity(curve)) {
          expect(parametric).toBeGreaterThanOrEqual(guaranteed);
          expect(geometric).toBeGreaterThanOrEqual(0);
        }
      }),
    );
  });

  it('sees the first derivative that jumps by more than rounding, at high degrees beside short spans', () => {
    holds(
      fc.property(
        fc.integer({ min: 6, max: 9 }),
        fc.integer({ min: 0, max: 6 }),
        fc.double({ min: -3, max: 0, noNaN: true }),
        fc.array(fc.tuple(fc.integer({ min: -100, max: 100 }), fc.integer({ min: -100, max: 100 })), {
          minLength: 10,
          maxLength: 10,
        }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (degree, wanted, exponent, corners, above) => {
          const order = Math.min(wanted, degree - 2);
          const short = 10 ** exponent;
          const whole: Curve = {
            degree,
            knots: [...Array<number>(degree + 1).fill(0), ...Array<number>(degree + 1).fill(1 + short)],
            points: corners.slice(0, degree + 1),
          };
          // With so many knots at 1 the curve is held to this order only, and the point behind may move.
          const free = insertKnot(whole, 1, degree - order);
          const size = sizeOf(free);
          const moved = (by: number): Curve => ({
            ...free,
            points: free.points.map((point, k) =>
              k === order + 1 + degree - order - 1 ? [point[0]! + by, point[1]!] : point,
            ),
          });
          const jumpOf = (curve: Curve): number => {
            const [left, right] = (['left', 'right'] as const).map((side) =>
              derivativesAt(curve, 1, degree, side),
            );
            return Math.hypot(...left![order + 1]!.map((value, axis) => value - right![order + 1]![axis]!));
          };
          const unit = jumpOf(moved(size)) / size;
          const derivative = Math.hypot(...derivativesAt(free, 1, degree, 'left')[order + 1]!);
          // A little above what rounding can make of it, and clearly above what counts as equal.
          let rounding = 2e-14 * size;
          for (let r = 0; r <= order; r++) rounding *= (2 * (degree - r)) / short;
          const jump = rounding * 10 ** above;
          if (!(unit > 0) || jump < 2e-6 * derivative || jump > derivative) return;
          expect(
            measureContinuity(moved(jump / unit), undefined, (knot) => knot === 1)[0]!.parametric,
          ).toBeLessThanOrEqual(order);
          expect(measureContinuity(free, undefined, (knot) => knot === 1)[0]!.parametric).toBe(degree);
        },
      ),
    );
  });

  it('sees that an inserted knot changes nothing', () => {
    const knots = measureContinuity(insertKnot(insertKnot(bout, 0.2, 4), 0.55, 2));
    expect(knots.map(({ knot, guaranteed, parametric }) => [knot, guaranteed, parametric])).toEqual([
      [0.2, 0, 4],
      [0.4, 3, 3],
      [0.55, 2, 4],
      [0.7, 3, 3],
    ]);
    knots.forEach(({ geometric }) => expect(geometric).toBe(3));
  });

  it('tells G from C: handles in line but of unequal length', () => {
    const [first, second] = splitCurve(bout, 0.5);
    const slower: Curve = { ...second, knots: second.knots.map((u) => 0.5 + 3 * (u - 0.5)) };
    expect(measureJoint(first, second)).toMatchObject({ parametric: 4, geometric: 3 });
    const joint = measureJoint(first, slower);
    expect(joint).toMatchObject({ parametric: 0, geometric: 3 });
    expect(joint.magnitude).toBeCloseTo(2 / 3, 12);
    expect(joint.direction).toBeLessThan(1e-7);
    const turned = {
      ...second,
      points: second.points.map(([x, y], k) => (k === 0 ? [x!, y!] : [x!, y! + 9])),
    };
    expect(measureJoint(first, turned).geometric).toBe(0);
    const moved = { ...second, points: second.points.map(([x, y]) => [x! + 1, y!]) };
    expect(measureJoint(first, moved)).toMatchObject({ parametric: -1, geometric: -1, position: 1 });
    expect(() =>
      measureJoint(first, elevateDegree({ ...bout, points: bout.points.map((p) => [...p, 0]) })),
    ).toThrow(CurveError);
  });
});

/** The size of what makes up a derivative at the start of a clamped curve. */
function cancelled(curve: Curve, order: number): number {
  const { degree, knots, weights } = curve;
  const ratio = weights ? Math.max(...weights.slice(0, order + 1)) / weights[0]! : 1;
  const span = knots[degree + 1]! - knots[0]!;
  return sizeOf(curve) * (degree / span) ** order * Math.max(1, ratio) ** order;
}

describe('matching', () => {
  const ends: CurveEnd[] = ['start', 'end'];
  it.each(jointContinuities)(
    'reaches %s at either end of either curve, moving as few points as it names',
    (name) => {
      for (const curveEnd of ends) {
        for (const targetEnd of ends) {
          for (const [curve, target] of [
            [bout, waist],
            [waist, bout],
          ] as const) {
            const {
              curve: matched,
              moved,
              largestMove,
              joint,
            } = matchCurve(curve, target, name, curveEnd, targetEnd);
            validateCurve(matched);
            const order = Number(name[1]);
            expect(moved).toBeLessThanOrEqual(order + 1);
            expect(largestMove).toBeGreaterThan(0);
            if (name.startsWith('C')) expect(joint.parametric).toBeGreaterThanOrEqual(order);
            else expect(joint.geometric).toBeGreaterThanOrEqual(order);
            expect(joint.position).toBeLessThan(1e-10);
            // The far points stay where they were.
            const kept =
              curveEnd === 'start' ? matched.points.slice(order + 1) : matched.points.slice(0, -order - 1);
            const before =
              curveEnd === 'start' ? curve.points.slice(order + 1) : curve.points.slice(0, -order - 1);
            expect(kept).toEqual(before);
          }
        }
      }
    },
  );

  it('keeps the handle’s length for G1, and moves nothing where the joint is that good already', () => {
    const { curve } = matchCurve(bout, waist, 'G1', 'end', 'start');
    const length = (points: Curve['points']): number =>
      Math.hypot(points.at(-1)![0]! - points.at(-2)![0]!, points.at(-1)![1]! - points.at(-2)![1]!);
    expect(length(curve.points)).toBeCloseTo(length(bout.points), 10);
    const [first, second] = splitCurve(bout, 0.5);
    for (const name of jointContinuities) {
      expect(matchCurve(second, first, name).largestMove, name).toBeLessThan(1e-9);
    }
  });

  it('matches to a straight line with G3 in every direction', () => {
    for (let k = 0; k < 200; k++) {
      const angle = (2 * Math.PI * k) / 200;
      const [c, s] = [Math.cos(angle), Math.sin(angle)];
      const straight: Curve = {
        degree: 3,
        knots: [0, 0, 0, 0, 1, 1, 1, 1],
        points: [0, 30, 60, 90].map((along) => [17 + along * c, 5 + along * s]),
      };
      const { joint } = matchCurve(waist, straight, 'G3');
      expect(joint.geometric, String(k)).toBe(3);
    }
  });

  it('moves least for G1 where that is chosen', () => {
    holds(
      fc.property(
        fc.double({ min: -1.4, max: 1.4, noNaN: true }),
        fc.double({ min: 0.2, max: 40, noNaN: true }),
        (angle, length) => {
          // The handle stands at an angle to the tangent that it is to take.
          const straight: Curve = {
            degree: 1,
            knots: [0, 0, 1, 1],
            points: [
              [-50, 0],
              [0, 0],
            ],
          };
          const turned: Curve = {
            degree: 3,
            knots: [0, 0, 0, 0, 1, 1, 1, 1],
            points: [
              [0, 0],
              [length * Math.cos(angle), length * Math.sin(angle)],
              [60, 30],
              [90, 0],
            ],
          };
          const kept = matchCurve(turned, straight, 'G1');
          const least = matchCurve(turned, straight, 'G1', 'start', 'end', 'least');
          expect(least.joint.geometric).toBeGreaterThanOrEqual(1);
          expect(least.largestMove).toBeLessThanOrEqual(kept.largestMove + 1e-12);
          expect(least.largestMove).toBeCloseTo(length * Math.abs(Math.sin(angle)), 9);
        },
      ),
    );
  });

  it.each(['G1', 'G2', 'G3'] as const)(
    'moves least where asked to, against other ways to reach %s',
    (name) => {
      const order = Number(name[1]);
      const movedBy = (a: Curve, b: Curve): number =>
        a.points.reduce((sum, point, k) => (k === 0 ? 0 : sum + distance(point, b.points[k]!) ** 2), 0);
      holds(
        fc.property(
          arbitraryCurve({ minimumDegree: 4, clampedOnly: true }),
          arbitraryCurve({ minimumDegree: 3, clampedOnly: true }),
          fc.array(
            fc.tuple(
              fc.double({ min: -3, max: 3, noNaN: true }),
              fc.double({ min: -1, max: 1, noNaN: true }),
            ),
            {
              minLength: 40,
              maxLength: 40,
            },
          ),
          (curve, target, others) => {
            if (curve.points[0]!.length !== target.points[0]!.length) return;
            let least;
            let kept;
            try {
              kept = matchCurve(curve, target, name);
              least = matchCurve(curve, target, name, 'start', 'end', 'least');
            } catch (error) {
              expect(error).toBeInstanceOf(CurveError);
              return;
            }
            const own = movedBy(least.curve, curve);
            const slack = 1e-9 * (own + sizeOf(curve) ** 2);
            expect(own).toBeLessThanOrEqual(movedBy(kept.curve, curve) + slack);
            const [, end] = domainOf(target.knots, target.degree);
            const tangent = tangentAt(target, end, 'left')!;
            const start = least.curve.points[0]!;
            const length = distance(least.curve.points[1]!, start);
            const first = distance(curve.points[0]!, curve.points[1]!);
            for (const [stretch, slide] of others) {
              // A handle is left a hundredth of its length.
              if (length * 2 ** stretch < 0.0101 * (first || distance(start, curve.points[2]!) / 3)) continue;
              // The same order is reached with another handle, and the third point elsewhere along the tangent.
              const points = least.curve.points.slice();
              points[1] = addScaled(start, tangent, length * 2 ** stretch);
              if (order === 3) points[2] = addScaled(points[2]!, tangent, slide * length);
              const other = matchCurve({ ...least.curve, points }, target, name).curve;
              expect(movedBy(other, curve)).toBeGreaterThanOrEqual(own - slack);
            }
          },
        ),
      );
    },
  );

  it('works in space, where G3 includes torsion', () => {
    const lift = (curve: Curve, k: number): Curve => ({
      ...curve,
      points: curve.points.map(([x, y], i) => [x!, y!, 10 * Math.sin(k * i)]),
    });
    const { joint } = matchCurve(lift(waist, 1.3), lift(bout, 0.7), 'G3');
    expect(joint.geometric).toBe(3);
  });

  it.each([false, true])('on random curves keeps what it promises; rational: %s', (rational) => {
    let geometric = 0;
    holds(
      fc.property(
        arbitraryCurve({ minimumDegree: 4, dimension: 2, rational, clampedOnly: true }),
        arbitraryCurve({ minimumDegree: 3, dimension: 2, rational, clampedOnly: true }),
        fc.constantFrom(...jointContinuities),
        (curve, target, name) => {
          let matched;
          try {
            matched = matchCurve(curve, target, name);
          } catch (error) {
            expect(error).toBeInstanceOf(CurveError);
            return;
          }
          expect(matched.curve.weights).toEqual(curve.weights);
          const order = Number(name[1]);
          expect(matched.curve.points.slice(order + 1)).toEqual(curve.points.slice(order + 1));
          const [, end] = domainOf(target.knots, target.degree);
          const [start] = domainOf(matched.curve.knots, curve.degree);
          const wanted = derivativesAt(target, end, 2, 'left');
          const found = derivativesAt(matched.curve, start, 2);
          const size = Math.max(sizeOf(target), sizeOf(matched.curve));
          const long = (vector: Point): number => Math.hypot(...vector);
          expectClose(found[0]!, wanted[0]!, 1e-12, size);
          if (name.startsWith('C')) {
            for (let r = 1; r <= order; r++) {
              // What is taken away from each other on the way is as large as the points times the factors.
              expectClose(found[r]!, wanted[r]!, 1e-9, long(wanted[r]!) + cancelled(matched.curve, r));
            }
          } else if (order > 0) {
            const [t, w] = [found[1]!, wanted[1]!];
            // A handle shorter than the rounding of its ends has no direction to compare.
            const [p0, p1] = matched.curve.points;
            if (Math.hypot(p1![0]! - p0![0]!, p1![1]! - p0![1]!) < 1e-6 * size) return;
            geometric++;
            const cosine = (t[0]! * w[0]! + t[1]! * w[1]!) / (long(t) * long(w));
            expect(cosine).toBeGreaterThan(1 - 1e-9);
            if (order < 2) return;
            const [here, there] = [curvatureAt(matched.curve, start)!, curvatureAt(target, end, 'left')!];
            expect(Math.abs(here - there)).toBeLessThan(
              1e-9 * (Math.abs(there) + cancelled(matched.curve, 2) / long(t) ** 2),
            );
          }
        },
      ),
      { numRuns: 600, least: 300 },
    );
    expect(geometric).toBeGreaterThan(30);
  });

  it('says what is missing', () => {
    const line: Curve = {
      degree: 1,
      knots: [0, 0, 1, 1],
      points: [
        [0, 0],
        [9, 9],
      ],
    };
    expect(() => matchCurve(line, bout, 'G2')).toThrow(/degree 2 or higher/);
    expect(() => matchCurve(line, bout, 'G1')).toThrow(/other end/);
    const still = { ...bout, points: bout.points.map(() => [1, 1]) };
    expect(() => matchCurve(bout, still, 'G1')).toThrow(/is zero at its end/);
  });
});

describe('closing and opening', () => {
  it('pulls the ends together, bridges the gap, or wraps round', () => {
    const pulled = closeCurve(bout, 'pull');
    validateCurve(pulled);
    expect(closednessOf(pulled)).toBe('ends-meet');
    expect(pulled.points[0]).toEqual([110, 5]);
    for (const continuity of [0, 1, 2] as const) {
      const bridged = closeCurve(bout, 'bridge', continuity);
      validateCurve(bridged);
      expect(closednessOf(bridged)).toBe('ends-meet');
      expectClose(pointAt(bridged, 0.6), pointAt(bout, 0.6), 1e-12, 220);
      const measured = measureContinuity(bridged);
      expect(measured[0]!.parametric).toBeGreaterThanOrEqual(continuity);
      expect(measured.find(({ knot }) => knot === 1)!.parametric).toBeGreaterThanOrEqual(continuity);
    }
    const around = closeCurve(bout, 'wrap');
    validateCurve(around);
    expect(closednessOf(around)).toBe('periodic');
    expect(measureContinuity(around).every(({ parametric }) => parametric >= 3)).toBe(true);
    expect(() => closeCurve(around, 'pull')).toThrow(/closed already/);
    expect(() => closeCurve(pulled, 'bridge')).toThrow(/meet already/);
    expect(closednessOf(bout)).toBe('open');
    expect(() => openCurve(bout)).toThrow(/open already/);
    expect(() => moveSeam(bout, 0.3)).toThrow(/open/);
    expect(() => periodicFromClosed(bout)).toThrow(CurveError);
  });

  it('opening a periodic curve and taking it for periodic again leaves its shape and its knots', () => {
    holds(
      fc.property(arbitraryCurve({ periodic: true }), (curve) => {
        const opened = openCurve(curve);
        validateCurve(opened);
        expect(opened.periodic).toBeUndefined();
        const again = periodicFromClosed(opened);
        validateCurve(again);
        const [start, end] = domainOf(curve.knots, curve.degree);
        for (const t of [0, 0.1, 0.45, 0.8, 1]) {
          const u = Math.min(end, start + t * (end - start));
          expectClose(pointAt(opened, u), pointAt(curve, u), 1e-12, sizeOf(curve));
          // Weights that lie far apart take digits along.
          const spread = curve.weights ? Math.max(...curve.weights) / Math.min(...curve.weights) : 1;
          expectClose(pointAt(again, u), pointAt(curve, u), 1e-9 * Math.sqrt(spread), sizeOf(curve));
        }
        // With weights far apart the seam may keep a knot more than it had.
        if (!curve.weights) expect(again.points.length).toBeLessThanOrEqual(curve.points.length);
      }),
    );
  });

  it('moves the seam of any closed curve without moving the curve', () => {
    holds(
      fc.property(
        arbitraryCurve({ periodic: true }),
        fc.double({ min: 0.001, max: 0.999, noNaN: true }),
        fc.boolean(),
        (curve, t, open) => {
          const [start, end] = domainOf(curve.knots, curve.degree);
          const closed = open ? clampEnds(curve) : curve;
          const u = start + t * (end - start);
          const turned = moveSeam(closed, u);
          validateCurve(turned);
          const [from, to] = domainOf(turned.knots, turned.degree);
          expect(from).toBeCloseTo(u, 6);
          expect(to - from).toBeCloseTo(end - start, 9);
          for (const share of [0.05, 0.35, 0.75]) {
            const place = from + share * (to - from);
            const before = place > end ? place - (end - start) : place;
            const [point, speed] = derivativesAt(closed, Math.max(start, before), 1);
            const size = sizeOf(curve) + Math.hypot(...speed!) * 1e-3;
            expectClose(pointAt(turned, place), point!, 1e-10, size);
          }
        },
      ),
    );
  });

  it('closes and opens back to the same points', () => {
    const ring = periodicCurve(3, bout.points);
    const twice = moveSeam(moveSeam(ring, 3 / 7), 1);
    expect(twice.points).toEqual(ring.points);
    const part = extractPart(ring, 0.1, 0.9);
    expect(closednessOf(part)).toBe('open');
  });
});
