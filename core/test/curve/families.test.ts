import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  chainOfCurve,
  curveOfChain,
  moveHandle,
  moveNode,
  nodeParameters,
  setNodeKind,
  setNodeParameter,
} from '../../src/curve/bezierChain.js';
import { exactCircle } from '../../src/curve/circle.js';
import { composePieces } from '../../src/curve/compose.js';
import { blossomLabels, deBoorConstruction, deCasteljauConstruction } from '../../src/curve/construct.js';
import { measureContinuity } from '../../src/curve/continuity.js';
import { convertCurve } from '../../src/curve/convert.js';
import { curveKinds } from '../../src/curve/curveKinds.js';
import { convexHull } from '../../src/curve/convexHull.js';
import type { Curve, Point } from '../../src/curve/curve.js';
import { decompose } from '../../src/curve/decompose.js';
import { CurveError } from '../../src/curve/error.js';
import { derivativesAt, pointAt } from '../../src/curve/evaluate.js';
import { evenOut, unevennessOf } from '../../src/curve/evenOut.js';
import { spanHulls } from '../../src/curve/hull.js';
import { clampedUniformKnots, domainOf, shortKnotList } from '../../src/curve/knotVector.js';
import { lengthOfCurve } from '../../src/curve/length.js';
import { curveFromLists, knotConventionOf, repeatPattern } from '../../src/curve/lists.js';
import {
  distanceFromMirror,
  mirrorCurve,
  mirrorThrough,
  halfAtMirror,
  symmetricCurve,
} from '../../src/curve/mirror.js';
import { monotoneCubic } from '../../src/curve/monotone.js';
import { periodicCurve } from '../../src/curve/periodic.js';
import { removeNeedlessKnots } from '../../src/curve/needlessKnots.js';
import { reparametriseMobius } from '../../src/curve/reparametrise.js';
import { sampleCurve } from '../../src/curve/sample.js';
import { clampEnds } from '../../src/curve/split.js';
import { validateCurve } from '../../src/curve/validate.js';
import { arbitraryCurve, arbitraryCurveAndParameter, sizeOf } from './arbitrary.js';
import { bout } from './bout.js';
import { expectClose } from './reference.js';
import { expectSameCurve } from './sameCurve.js';
import { holds } from '../holds.js';

describe('Möbius reparametrisation', () => {
  it('leaves the curve, maps the parameter as it says, and is undone by the inverse factor', () => {
    holds(
      fc.property(
        arbitraryCurve({ periodic: false, clampedOnly: true }),
        fc.double({ min: 0.1, max: 10, noNaN: true }),
        (curve, factor) => {
          const changed = reparametriseMobius(curve, factor);
          validateCurve(changed);
          expect(changed.points).toBe(curve.points);
          const [start, end] = domainOf(curve.knots, curve.degree);
          const map = (u: number): number => {
            const s = (u - start) / (end - start);
            return Math.min(end, start + ((end - start) * factor * s) / (1 + (factor - 1) * s));
          };
          expectSameCurve(curve, changed, map, 1e-8);
          const back = reparametriseMobius(changed, 1 / factor);
          back.knots.forEach((knot, k) => expect(knot).toBeCloseTo(curve.knots[k]!, 9));
          expectSameCurve(curve, back, undefined, 1e-8);
        },
      ),
    );
  });

  it('maps unclamped ends along, or says which of their knots would pass through infinity', () => {
    let mapped = 0;
    let refused = 0;
    holds(
      fc.property(
        arbitraryCurve({ periodic: false }).filter(({ knots, degree }) => knots[0] !== knots[degree]),
        fc.double({ min: -1, max: 1, noNaN: true }).map((exponent) => 10 ** exponent),
        (curve, factor) => {
          const [start, end] = domainOf(curve.knots, curve.degree);
          const denominator = (u: number): number => 1 + ((factor - 1) * (u - start)) / (end - start);
          if (!curve.knots.every((knot) => denominator(knot) > 0)) {
            expect(() => reparametriseMobius(curve, factor)).toThrow(/through infinity/);
            refused++;
            return;
          }
          // Close to infinity all digits are lost.
          fc.pre(curve.knots.every((knot) => denominator(knot) > 0.05));
          mapped++;
          const changed = reparametriseMobius(curve, factor);
          validateCurve(changed);
          expect(domainOf(changed.knots, changed.degree)).toEqual([start, end]);
          const map = (u: number): number =>
            Math.min(end, start + ((end - start) * factor * ((u - start) / (end - start))) / denominator(u));
          expectSameCurve(curve, changed, map, 1e-8);
        },
      ),
      { numRuns: 400 },
    );
    expect(mapped).toBeGreaterThan(40);
    expect(refused).toBeGreaterThan(4);
  });

  it('changes the end speeds by the factor', () => {
    const changed = reparametriseMobius(bout, 2);
    const speed = (curve: Curve, u: number): number => Math.hypot(...derivativesAt(curve, u, 1)[1]!);
    expect(speed(changed, 0) / speed(bout, 0)).toBeCloseTo(1 / 2, 12);
    expect(speed(changed, 1) / speed(bout, 1)).toBeCloseTo(2, 12);
    expect(() => reparametriseMobius(bout, 0)).toThrow(CurveError);
    expect(() => reparametriseMobius(bout, NaN)).toThrow(CurveError);
    expect(() => reparametriseMobius(periodicCurve(3, bout.points), 2)).toThrow(/open it/);
  });
});

describe('evening out the parameter', () => {
  it('makes speeds even, keeps the shape nearly, and says by how much not', () => {
    const once = evenOut(bout);
    validateCurve(once.curve);
    expect(once.before).toBeGreaterThan(0.3);
    expect(once.unevenness).toBeLessThan(once.before / 3);
    expect(once.curve.points[0]).toEqual([0, 0]);
    const fine = evenOut(bout, [], 4);
    expect(fine.unevenness).toBeLessThan(once.unevenness / 3);
    expect(fine.deviation.distance).toBeLessThan(once.deviation.distance / 3);
    expect(unevennessOf(fine.curve)).toBeCloseTo(fine.unevenness, 12);
  });

  it('holds chosen values', () => {
    const held = evenOut(bout, [{ at: 0.5 }, { at: 0.8, value: 0.9 }], 4);
    expectClose(pointAt(held.curve, 0.5), pointAt(bout, 0.5), 2e-3, 200);
    expectClose(pointAt(held.curve, 0.9), pointAt(bout, 0.8), 2e-3, 200);
    expect(held.unevenness).toBeLessThan(0.5);
    expect(() =>
      evenOut(bout, [
        { at: 0.5, value: 0.9 },
        { at: 0.7, value: 0.8 },
      ]),
    ).toThrow(CurveError);
    expect(() => evenOut(bout, [{ at: 1.5 }])).toThrow(CurveError);
    expect(() => evenOut({ ...bout, points: bout.points.map(() => [1, 1]) })).toThrow(/no length/);
    expect(() => evenOut(bout, [], 0)).toThrow(CurveError);
  });

  it('of a circle and of a line is exact, and a periodic curve stays periodic', () => {
    const line: Curve = {
      degree: 1,
      knots: [0, 0, 1, 1],
      points: [
        [0, 0],
        [3, 4],
      ],
    };
    expect(unevennessOf(line)).toBeLessThan(1e-14);
    expect(
      unevennessOf(exactCircle({ centre: [0, 0], radius: 1, x: [1, 0], y: [0, 1] }, 'quadratic9')),
    ).toBeGreaterThan(0.05);
    const ring = evenOut(periodicCurve(3, bout.points), [], 3);
    validateCurve(ring.curve);
    expect(ring.curve.periodic).toBe(true);
    expect(ring.unevenness).toBeLessThan(ring.before / 3);
  });
});

describe('constructions', () => {
  it('of de Boor and de Casteljau end at the curve’s point, each level a level nearer', () => {
    holds(
      fc.property(arbitraryCurveAndParameter(), ({ curve, u }) => {
        const point = pointAt(curve, u);
        for (const construction of [deBoorConstruction(curve, u), deCasteljauConstruction(curve, u)]) {
          const { levels, span } = construction;
          expect(levels.map((level) => level.length)).toEqual(
            Array.from({ length: curve.degree + 1 }, (_, k) => curve.degree + 1 - k),
          );
          expectClose(levels.at(-1)![0]!.point, point, 1e-11, sizeOf(curve));
          expect(span[0]).toBeLessThanOrEqual(u);
          expect(span[1]).toBeGreaterThanOrEqual(u);
          levels.forEach((level, r) =>
            level.forEach(({ label }) => {
              expect(label).toHaveLength(curve.degree);
              expect(label.filter((value) => value === u).length).toBeGreaterThanOrEqual(r);
              label.forEach((value, k) => k > 0 && expect(value).toBeGreaterThanOrEqual(label[k - 1]!));
            }),
          );
        }
      }),
    );
  });

  it('carry the labels of their control points', () => {
    const labels = blossomLabels(bout);
    expect(labels[2]).toEqual([0, 0.3, 0.55]);
    const { levels, first } = deBoorConstruction(bout, 0.4);
    levels[0]!.forEach(({ label, point }, j) => {
      expect(label).toEqual(labels[first + j]);
      expect(point).toEqual(bout.points[first + j]);
    });
    expect(() => deBoorConstruction(bout, 2)).toThrow(CurveError);
  });
});

describe('putting together', () => {
  it('gives back what was decomposed', () => {
    holds(
      fc.property(arbitraryCurve(), (curve) => {
        // Short spans and weights that lie far apart leave fewer digits to tell what a knot is needed for.
        const spread = curve.weights ? Math.max(...curve.weights) / Math.min(...curve.weights) : 1;
        const tolerance = 1e-7 * sizeOf(curve) * Math.sqrt(spread);
        const whole = composePieces(decompose(curve), tolerance);
        validateCurve(whole);
        expectSameCurve(curve, whole, undefined, (10 * tolerance) / sizeOf(curve));
      }),
      { numRuns: 60 },
    );
    // Where what a knot is needed for is far above the tolerance, none is left that was not there.
    holds(
      fc.property(arbitraryCurve({ rational: false }), (any) => {
        if (any.degree > 3) return;
        const points = any.points.map((point) => point.map((value) => Math.round(value)));
        const curve = { ...any, points };
        const whole = composePieces(decompose(curve), 1e-9);
        expect(whole.points.length).toBeLessThanOrEqual(clampEnds(curve).points.length);
        expectSameCurve(curve, whole, undefined, 1e-8);
      }),
    );
    expect(removeNeedlessKnots(bout, 1e-9)).toBe(bout);
    expect(() => composePieces([], 1)).toThrow(CurveError);
  });
});

describe('mirrors', () => {
  const mirror = mirrorThrough([200, -10], [200, 50]);

  it('twice are nothing, and places on the mirror stay', () => {
    holds(
      fc.property(arbitraryCurve({ dimension: 2 }), (curve) => {
        const slanted = mirrorThrough([1, 2], [7, -3]);
        const image = mirrorCurve(curve, slanted);
        validateCurve(image);
        mirrorCurve(image, slanted).points.forEach((point, k) =>
          expectClose(point, curve.points[k]!, 1e-12, sizeOf(curve)),
        );
        curve.points.forEach((point, k) =>
          expect(distanceFromMirror(slanted, image.points[k]!)).toBeCloseTo(
            -distanceFromMirror(slanted, point),
            9,
          ),
        );
      }),
    );
  });

  it('cut a curve where it crosses the mirror, and say what goes', () => {
    const across = mirrorThrough([100, 0], [100, 1]);
    for (const keep of ['before', 'after'] as const) {
      const { half, goes } = halfAtMirror(bout, across, keep);
      const [, end] = domainOf(half.knots, half.degree);
      // The half ends on the mirror, and both parts together are as long as the curve.
      expect(pointAt(half, end, 'left')[0]).toBeCloseTo(100, 9);
      expect(lengthOfCurve(half) + lengthOfCurve(goes!)).toBeCloseTo(lengthOfCurve(bout), 6);
      const made = symmetricCurve(half, across);
      const [from, to] = domainOf(made.knots, made.degree);
      for (const share of [0, 0.1, 0.3, 0.45]) {
        const [a, b] = [
          pointAt(made, from + share * (to - from)),
          pointAt(made, to - share * (to - from), 'left'),
        ];
        expect(a[0]! + b[0]!).toBeCloseTo(200, 8);
        expect(a[1]).toBeCloseTo(b[1]!, 8);
      }
    }
    const beside = mirrorThrough([-500, 0], [-500, 1]);
    expect(halfAtMirror(bout, beside, 'before')).toEqual({ half: bout });
  });

  it('make a symmetric curve of a half, smooth where it crosses', () => {
    const whole = symmetricCurve(bout, mirror);
    validateCurve(whole);
    expect(whole.points).toHaveLength(2 * bout.points.length - 1);
    whole.points.forEach((point, k) => {
      const twin = whole.points[whole.points.length - 1 - k]!;
      expect(point[0]! + twin[0]!).toBeCloseTo(400, 10);
      expect(point[1]).toBeCloseTo(twin[1]!, 10);
    });
    const joint = measureContinuity(whole).find(({ knot }) => knot === 1)!;
    expect(joint.geometric).toBeGreaterThanOrEqual(2);
    expect(
      measureContinuity(symmetricCurve(bout, mirror, false)).find(({ knot }) => knot === 1)!.geometric,
    ).toBe(0);
    expect(() => mirrorThrough([1, 1], [1, 1])).toThrow(CurveError);
    expect(() => mirrorCurve({ ...bout, points: bout.points.map((p) => [...p, 0]) }, mirror)).toThrow(
      CurveError,
    );
    expect(() => symmetricCurve(periodicCurve(3, bout.points), mirror)).toThrow(CurveError);
  });
});

describe('hulls', () => {
  it('of every span hold that span, with weights too', () => {
    holds(
      fc.property(arbitraryCurve({ dimension: 2 }), (curve) => {
        const hulls = spanHulls(curve);
        const { coordinates, perSpan } = sampleCurve(curve, 10);
        hulls.forEach(({ hull }, s) => {
          for (let k = s * (perSpan + 1); k < (s + 1) * (perSpan + 1); k++) {
            const [x, y] = [coordinates[2 * k]!, coordinates[2 * k + 1]!];
            hull.forEach((corner, j) => {
              const next = hull[(j + 1) % hull.length]!;
              const side =
                (next[0]! - corner[0]!) * (y - corner[1]!) - (next[1]! - corner[1]!) * (x - corner[0]!);
              if (hull.length > 2) expect(side).toBeGreaterThan(-1e-9 * sizeOf(curve) ** 2);
            });
          }
        });
      }),
    );
    expect(
      convexHull([
        [0, 0],
        [0, 0],
      ]),
    ).toEqual([[0, 0]]);
    expect(
      convexHull([
        [0, 0],
        [1, 1],
        [2, 2],
        [0.5, 0.5],
      ]),
    ).toEqual([
      [0, 0],
      [2, 2],
    ]);
    expect(
      convexHull([
        [0, 0],
        [2, 0],
        [1, 1],
        [2, 2],
        [0, 2],
      ]),
    ).toHaveLength(4);
  });
});

describe('lists', () => {
  it('of nine points on a square with patterns of weights and paired knots are a circle', () => {
    const square: Point[] = [
      [1, 0],
      [1, 1],
      [0, 1],
      [-1, 1],
      [-1, 0],
      [-1, -1],
      [0, -1],
      [1, -1],
      [1, 0],
    ];
    const knots = [0, 0, 0, 0.25, 0.25, 0.5, 0.5, 0.75, 0.75, 1, 1, 1];
    const full = curveFromLists(2, square, knots, [1, Math.SQRT1_2]);
    const short = curveFromLists(2, square, shortKnotList(knots), [1, Math.SQRT1_2]);
    expect(short).toEqual(full);
    for (let u = 0; u <= 1; u += 0.01) expect(Math.hypot(...pointAt(full, u))).toBeCloseTo(1, 14);
    expect(knotConventionOf(12, 2, 9)).toBe('full');
    expect(knotConventionOf(10, 2, 9)).toBe('short');
    expect(() => knotConventionOf(11, 2, 9)).toThrow(/need 12, or 10/);
    expect(() => curveFromLists(2, square, knots, [1, -1])).toThrow(/Weight 1/);
    expect(() => curveFromLists(2, square, knots.toReversed())).toThrow(CurveError);
    expect(repeatPattern([1, 2], 5)).toEqual([1, 2, 1, 2, 1]);
    expect(() => repeatPattern([], 3)).toThrow(CurveError);
  });
});

describe('Bézier chains', () => {
  const chain = chainOfCurve(bout);

  it('of a cubic are the curve, node by node, and back', () => {
    expect(chain.nodes).toHaveLength(5);
    expect(chain.closed).toBe(false);
    const back = curveOfChain(chain);
    validateCurve(back);
    expect(convertCurve(bout, 'bezier').deviation.distance).toBeLessThan(1e-10);
    nodeParameters(chain).forEach((u, k) => expectClose(pointAt(back, u), chain.nodes[k]!.point, 1e-13, 200));
    expect(chain.nodes.slice(1, -1).every(({ kind }) => kind !== 'corner')).toBe(true);
  });

  it('keep aligned and equal handles while one is moved, and leave corners alone', () => {
    const angle = (node: (typeof chain.nodes)[number]): number => {
      const a = [node.point[0]! - node.before[0]!, node.point[1]! - node.before[1]!];
      const b = [node.after[0]! - node.point[0]!, node.after[1]! - node.point[1]!];
      return Math.abs(Math.atan2(a[0]! * b[1]! - a[1]! * b[0]!, a[0]! * b[0]! + a[1]! * b[1]!));
    };
    const length = (node: (typeof chain.nodes)[number], side: 'before' | 'after'): number =>
      Math.hypot(node[side][0]! - node.point[0]!, node[side][1]! - node.point[1]!);
    const aligned = moveHandle(setNodeKind(chain, 2, 'aligned'), 2, 'after', [130, 100]).nodes[2]!;
    expect(angle(aligned)).toBeLessThan(1e-12);
    expect(length(aligned, 'before')).toBeCloseTo(
      length(setNodeKind(chain, 2, 'aligned').nodes[2]!, 'before'),
      10,
    );
    const equal = moveHandle(setNodeKind(chain, 2, 'equal'), 2, 'before', [60, 60]).nodes[2]!;
    expect(length(equal, 'before')).toBeCloseTo(length(equal, 'after'), 12);
    expect(angle(equal)).toBeLessThan(1e-12);
    const corner = moveHandle(setNodeKind(chain, 2, 'corner'), 2, 'before', [60, 60]);
    expect(corner.nodes[2]!.after).toEqual(chain.nodes[2]!.after);
    expect(measureContinuity(curveOfChain(corner))[1]!.geometric).toBe(0);
    const moved = moveNode(chain, 1, [20, 20]).nodes[1]!;
    expect(length(moved, 'after')).toBeCloseTo(length(chain.nodes[1]!, 'after'), 10);
    expect(() => moveNode(chain, 9, [0, 0])).toThrow(CurveError);
    expect(() => curveOfChain({ nodes: chain.nodes.slice(0, 1), closed: false })).toThrow(CurveError);
  });

  it('close', () => {
    const closed = chainOfCurve(periodicCurve(3, bout.points));
    expect(closed.closed).toBe(true);
    expect(closed.nodes).toHaveLength(7);
    const curve = curveOfChain(closed);
    expect(curve.points[0]).toEqual(curve.points.at(-1));
  });
});

describe('monotone cubics', () => {
  it('never leave the range of neighbouring points, in any coordinate', () => {
    holds(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: -50, max: 50 }), fc.integer({ min: -50, max: 50 })), {
          minLength: 2,
          maxLength: 12,
        }),
        (raw) => {
          const points = raw.filter((p, k) => k === 0 || p[0] !== raw[k - 1]![0] || p[1] !== raw[k - 1]![1]);
          if (points.length < 2) return;
          const curve = monotoneCubic(points);
          validateCurve(curve);
          const ends = [0, ...new Set(curve.knots.slice(4, -4)), 1];
          points.slice(1).forEach((point, k) => {
            for (let t = 0; t <= 1; t += 0.1) {
              const found = pointAt(curve, Math.min(1, ends[k]! + t * (ends[k + 1]! - ends[k]!)));
              found.forEach((value, axis) => {
                expect(value).toBeGreaterThan(Math.min(point[axis]!, points[k]![axis]!) - 1e-9);
                expect(value).toBeLessThan(Math.max(point[axis]!, points[k]![axis]!) + 1e-9);
              });
            }
          });
        },
      ),
    );
  });
});

describe('conversion', () => {
  it.each(curveKinds)('to %s is whole for any curve, with its deviation', (kind) => {
    for (const curve of [bout, periodicCurve(3, bout.points), { ...bout, weights: [1, 2, 1, 3, 1, 1, 1] }]) {
      const { curve: converted, deviation } = convertCurve(curve, kind);
      validateCurve(converted);
      expect(deviation.distance).toBeGreaterThanOrEqual(0);
      expect(deviation.distance).toBeLessThan(60);
      if (kind === 'straight') expect(converted.degree).toBe(1);
    }
  });

  it('takes a closed drop of one piece, a figure eight knotted at its crossing, and refuses what lies on one place', () => {
    const drop: Curve = {
      degree: 3,
      knots: [0, 0, 0, 0, 1, 1, 1, 1],
      points: [
        [0, 0],
        [30, 40],
        [-30, 40],
        [0, 0],
      ],
    };
    expect(convertCurve(drop, 'bezier').deviation.distance).toBeLessThan(1e-12);
    const eight: Curve = {
      degree: 3,
      knots: [0, 0, 0, 0, 0.5, 0.5, 0.5, 1, 1, 1, 1],
      points: [
        [0, 0],
        [30, 40],
        [-30, 40],
        [0, 0],
        [30, -40],
        [-30, -40],
        [0, 0],
      ],
    };
    for (const kind of curveKinds) {
      const { curve, deviation } = convertCurve(eight, kind);
      validateCurve(curve);
      expect(deviation.distance).toBeLessThan(30);
      if (kind === 'bezier') continue;
      expect(() => convertCurve({ ...eight, points: eight.points.map(() => [7, 7]) }, kind)).toThrow(
        CurveError,
      );
    }
  });

  it('of an evenly clamped cubic to a straight one passes its places at the knots', () => {
    const even = { ...bout, knots: clampedUniformKnots(7, 3) };
    const { curve } = convertCurve(even, 'straight');
    expect(curve.points).toHaveLength(5);
    expectClose(curve.points[2]!, pointAt(even, 0.5), 1e-13);
  });
});

describe('parameters of a chain’s nodes', () => {
  const chain = chainOfCurve(bout);

  it('are kept where they are given, and spread by chords between', () => {
    const free = nodeParameters(chain);
    const held = setNodeParameter(chain, 2, 0.8);
    const now = nodeParameters(held);
    expect(now[2]).toBe(0.8);
    expect(now[1]! / 0.8).toBeCloseTo(free[1]! / free[2]!, 12);
    expect((now[3]! - 0.8) / 0.2).toBeCloseTo((free[3]! - free[2]!) / (1 - free[2]!), 12);
    // The shape is the same, run through at another speed.
    const [before, after] = [curveOfChain(chain), curveOfChain(held)];
    validateCurve(after);
    expect(after.points).toEqual(before.points);
    expectClose(pointAt(after, 0.8), chain.nodes[2]!.point, 1e-13, 200);
    expect(nodeParameters(setNodeParameter(held, 2, undefined))).toEqual(free);
  });

  it('of a closed chain end at 1, where it is at its first node again', () => {
    const closed = { ...chain, closed: true };
    expect(nodeParameters(closed)).toHaveLength(chain.nodes.length + 1);
    expect(nodeParameters(setNodeParameter(closed, chain.nodes.length - 1, 0.9)).slice(-2)).toEqual([0.9, 1]);
  });

  it('are refused where they would not ascend', () => {
    const held = setNodeParameter(chain, 2, 0.5);
    for (const [index, value] of [
      [1, 0.5],
      [1, 0.7],
      [3, 0.4],
      [3, 1],
      [2, 0],
      [2, NaN],
    ] as const) {
      expect(() => setNodeParameter(held, index, value)).toThrow(CurveError);
    }
    expect(() => setNodeParameter(held, 9, 0.5)).toThrow(CurveError);
  });
});
