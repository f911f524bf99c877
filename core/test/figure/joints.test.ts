import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { keepContinuityAtKnot } from '../../src/curve/continueAtKnot.js';
import { measureContinuity } from '../../src/curve/continuity.js';
import type { Curve } from '../../src/curve/curve.js';
import { interiorKnots } from '../../src/curve/knotVector.js';
import type { JointContinuity } from '../../src/curve/match.js';
import { distinctPointCount, periodicKnotVector } from '../../src/curve/periodic.js';
import { clampEnds } from '../../src/curve/split.js';
import { validateCurve } from '../../src/curve/validate.js';
import { applyFigureCommand } from '../../src/figure/change/applyCommand.js';
import type { FigureCommand } from '../../src/figure/command/commands.js';
import { emptyFigure, hasLocks, itemOf, type FigureDocument } from '../../src/figure/document/document.js';
import type { CurveItem } from '../../src/figure/document/item.js';
import { curveOf, evaluateFigure } from '../../src/figure/evaluation/evaluate.js';
import { jointsOf, locksOf } from '../../src/figure/joint/joints.js';
import { canLockKnot, lockKnot, lockedKnotsOf } from '../../src/figure/joint/lockedKnots.js';
import { keepingLocks, lockJoint } from '../../src/figure/joint/locks.js';
import {
  chainThrough,
  piecesOf,
  putTogether,
  replaceChain,
  takeApart,
} from '../../src/figure/joint/takeApart.js';
import { arbitraryCurve } from '../curve/arbitrary.js';
import { expectSameCurve } from '../curve/sameCurve.js';
import { holds } from '../holds.js';

const waist: Curve = {
  degree: 3,
  knots: [0, 0, 0, 0, 1, 2, 3, 3, 3, 3],
  points: [
    [0, 0],
    [10, 40],
    [40, 60],
    [80, 50],
    [110, 20],
    [120, 0],
  ],
};

const figureOf = (curve: Curve): FigureDocument => ({
  ...emptyFigure(),
  items: [{ id: 'waist', name: 'Waist', kind: 'curve', color: 'plum', curve }],
  rail: { item: 'waist', tracks: [] },
});
const item = (document: FigureDocument, id: string): CurveItem => itemOf(document, id) as CurveItem;
const run = (document: FigureDocument, command: FigureCommand): FigureDocument =>
  applyFigureCommand(document, command).document;
const joints = (document: FigureDocument) => jointsOf(document, evaluateFigure(document));

function apart(curve: Curve): FigureDocument {
  const document = figureOf(curve);
  const pieces = piecesOf(curve);
  return run(
    document,
    takeApart(
      document,
      item(document, 'waist'),
      pieces,
      pieces.map((_, k) => `p${k}`),
    ),
  );
}

describe('taking apart and putting together', () => {
  it('gives pieces with the whole shape, and back again the curve that was there', () => {
    holds(
      fc.property(arbitraryCurve(), (curve) => {
        if (curve.periodic) return;
        const clamped = clampEnds(curve);
        const inner = interiorKnots(clamped.knots, clamped.degree);
        // At a gap pieces do not meet, and where neighbouring pieces differ a thousandfold rounding is seen.
        if (inner.some(({ multiplicity }) => multiplicity > clamped.degree)) return;
        const document = apart(clamped);
        expect(document.items).toHaveLength(inner.length + 1);
        if (inner.length === 0) return;
        const evaluation = evaluateFigure(document);
        const chain = chainThrough(document, evaluation, 'p0');
        if (chain.items.length !== document.items.length) return; // ends that meet elsewhere too
        const together = putTogether(evaluation, chain);
        expectSameCurve(clamped, together.curve, (u) => u, 1e-7);
        expect(together.after.points).toBeLessThanOrEqual(together.before.points);
      }),
      { numRuns: 200 },
    );
  });

  it('leads from a cubic with two knots to three pieces with C2 at every joint, and back to six points', () => {
    const before = figureOf(waist);
    const document = apart(waist);
    expect(document.items.map(({ name }) => name)).toEqual(['Waist 1', 'Waist 2', 'Waist 3']);
    expect(new Set(document.items.map(({ color }) => color)).size).toBe(3);
    expect(document.rail.item).toBe('p0');
    expect(joints(document).map(({ measured }) => measured.parametric)).toEqual([2, 2]);
    const evaluation = evaluateFigure(document);
    for (const from of ['p0', 'p1', 'p2']) {
      const chain = chainThrough(document, evaluation, from);
      expect(chain).toEqual({ items: ['p0', 'p1', 'p2'], reversed: [false, false, false] });
    }
    const chain = chainThrough(document, evaluation, 'p1');
    const together = putTogether(evaluation, chain);
    expect(together.before.points).toBe(12);
    expect(together.after).toEqual({ points: 6, knots: 10 });
    const command = replaceChain(document, chain, together.curve);
    const done = applyFigureCommand(document, command);
    expect(done.document.items.map(({ id }) => id)).toEqual(['p0']);
    expect(applyFigureCommand(done.document, done.inverse).document).toEqual(document);
    const command2 = takeApart(before, item(before, 'waist'), piecesOf(waist), ['a', 'b', 'c']);
    const taken = applyFigureCommand(before, command2);
    expect(applyFigureCommand(taken.document, taken.inverse).document).toEqual(before);
  });

  it('keeps what something is built from, hidden', () => {
    const document = run(figureOf(waist), {
      name: 'addItem',
      at: 1,
      item: { id: 'back', name: 'Back', kind: 'built', operation: { name: 'reverse', source: 'waist' } },
    });
    const done = run(
      document,
      takeApart(document, item(document, 'waist'), piecesOf(waist, [1.5]), ['a', 'b']),
    );
    expect(itemOf(done, 'waist')).toMatchObject({ hidden: true });
    expect(done.items).toHaveLength(4);
    // The two pieces, and the ends of the reversed curve, which lies over them.
    expect(joints(done)).toHaveLength(3);
  });
});

describe('where ends meet', () => {
  const line = (k: number, from: readonly [number, number], to: readonly [number, number]): CurveItem => ({
    id: `l${k}`,
    name: `L${k}`,
    kind: 'curve',
    curve: { degree: 1, knots: [0, 0, 1, 1], points: [from, to] },
  });
  const jointsAmong = (items: readonly CurveItem[]) => {
    const document = { ...emptyFigure(), items };
    return jointsOf(document, evaluateFigure(document)).map(({ first, second }) => [first.item, second.item]);
  };

  it('every pair is a joint, in the order of the curves', () => {
    // A square drawn from its right side, and a line that touches nothing but has an end above another.
    const square = [
      line(0, [10, 0], [10, 10]),
      line(1, [10, 10], [0, 10]),
      line(2, [0, 10], [0, 0]),
      line(3, [0, 0], [10, 0]),
      line(4, [10, 4], [20, 5]),
    ];
    expect(jointsAmong(square)).toEqual([
      ['l3', 'l0'],
      ['l0', 'l1'],
      ['l1', 'l2'],
      ['l2', 'l3'],
    ]);
  });

  it('none of the ends in the middle of a star is continued by another', () => {
    const star = (count: number) =>
      Array.from({ length: count }, (_, k) =>
        line(k, [0, 0], [10 * Math.cos((2 * Math.PI * k) / count), 10 * Math.sin((2 * Math.PI * k) / count)]),
      );
    expect(jointsAmong(star(20))).toHaveLength(190);
    for (const count of [26, 40, 51, 2000]) expect(jointsAmong(star(count))).toEqual([]);
  });
});

describe('locked joints', () => {
  const lockAll = (continuity: 'G1' | 'G2' | 'C1'): FigureDocument => {
    let document = apart(waist);
    for (const { first, second } of joints(document)) {
      document = run(document, lockJoint(document, first, second, continuity));
    }
    return document;
  };

  it('are kept when either side moves, as one step that is taken back as one', () => {
    for (const continuity of ['G1', 'G2', 'C1'] as const) {
      const document = lockAll(continuity);
      expect(locksOf(document)).toHaveLength(2);
      for (const [id, index] of [
        ['p0', 2],
        ['p1', 1],
        ['p1', 0],
        ['p2', 0],
        ['p2', 1],
      ] as const) {
        const from = item(document, id).curve.points[index]!;
        const to = [from[0]! + 3, from[1]! - 4];
        const command = keepingLocks(document, { name: 'moveControlPoint', item: id, index, to });
        const done = applyFigureCommand(document, command);
        const order = Number(continuity[1]);
        for (const { measured } of joints(done.document)) {
          expect(
            continuity.startsWith('C') ? measured.parametric : measured.geometric,
          ).toBeGreaterThanOrEqual(order);
        }
        expect(item(done.document, id).curve.points[index]).toEqual(to);
        expect(applyFigureCommand(done.document, done.inverse).document).toEqual(document);
      }
    }
  });

  it('without them, or far from them, a command stays as it is', () => {
    const move: FigureCommand = { name: 'moveControlPoint', item: 'p0', index: 0, to: [1, 1] };
    expect(keepingLocks(apart(waist), move)).toBe(move);
    expect(keepingLocks(lockAll('G1'), move)).toBe(move);
  });

  it('say why they stop a move: the other is fixed, has too few points, or is torn between two', () => {
    const document = lockAll('G1');
    const move: FigureCommand = { name: 'moveControlPoint', item: 'p0', index: 2, to: [5, 60] };
    const fixed = run(document, { name: 'patchItem', item: 'p1', set: { locked: true }, clear: [] });
    expect(() => keepingLocks(fixed, move)).toThrow(/Waist 2 .* itself is locked/);
    const short = run(document, {
      name: 'setCurve',
      item: 'p1',
      curve: {
        degree: 1,
        knots: [1, 1, 2, 2],
        points: [item(document, 'p1').curve.points[0]!, item(document, 'p1').curve.points.at(-1)!],
      },
    });
    expect(() => keepingLocks(short, move)).toThrow(/locked at G1, which can’t be kept here/);
    const torn: FigureCommand = {
      name: 'batch',
      commands: [move, { name: 'moveControlPoint', item: 'p1', index: 1, to: [90, 90] }],
    };
    expect(() => keepingLocks(document, torn)).toThrow(/two curves at once/);
  });

  it('are let go again, and are gone with the other curve', () => {
    const document = lockAll('G2');
    const [joint] = joints(document);
    expect(joint).toMatchObject({ locked: 'G2' });
    const free = run(document, lockJoint(document, joint!.second, joint!.first, null));
    expect(locksOf(free)).toHaveLength(1);
    expect(locksOf(run(document, { name: 'removeItem', item: 'p1' }))).toHaveLength(0);
    expect(curveOf(evaluateFigure(free), 'p0')).toBeDefined();
  });
});

describe('a joint with a shape or a linked curve', () => {
  /** An arc that ends at (100, 0), upwards, and a cubic that goes on from there. */
  const document: FigureDocument = {
    ...emptyFigure(),
    items: [
      {
        id: 'waist',
        name: 'Waist',
        kind: 'curve',
        curve: {
          ...waist,
          points: [
            [100, 0],
            [100, 20],
            [110, 60],
            [150, 70],
            [170, 40],
            [180, 30],
          ],
        },
      },
      {
        id: 'arc',
        name: 'Arc',
        kind: 'shape',
        shape: { kind: 'arcBulge', start: [0, 0], end: [100, 0], bulge: 1 },
      },
      {
        id: 'image',
        name: 'Image',
        kind: 'built',
        operation: { name: 'copy', source: 'arc', offset: [0, 0] },
      },
    ],
  };
  const ends = [
    { item: 'waist', end: 'start' },
    { item: 'arc', end: 'end' },
  ] as const;
  const locked = run(document, lockJoint(document, ends[1], ends[0], 'G1'));
  const measuredIn = (of: FigureDocument) =>
    joints(of).find(({ first, second }) => [first.item, second.item].sort().join() === 'arc,waist')?.measured;

  it('is locked on the side of the curve with points of its own', () => {
    expect(item(locked, 'waist').lockedJoints).toEqual([
      { end: 'start', to: 'arc', toEnd: 'end', continuity: 'G1' },
    ]);
    expect(() => lockJoint(document, ends[1], { item: 'image', end: 'end' }, 'G1')).toThrow(
      /points of its own/,
    );
  });

  it('is followed when the shape changes, as one step', () => {
    const pull = { name: 'moveHandle', item: 'arc', key: 'end', to: [90, -20] } as const;
    const { document: after, inverse } = applyFigureCommand(locked, keepingLocks(locked, pull));
    expect(item(after, 'waist').curve.points[0]).toEqual([90, -20]);
    expect(measuredIn(after)!.geometric).toBeGreaterThanOrEqual(1);
    expect(applyFigureCommand(after, inverse).document).toEqual(locked);
  });

  it('lets the curve be pulled along the tangent, puts it right, and says why its end stays', () => {
    const aside = { name: 'moveControlPoint', item: 'waist', index: 1, to: [104, 35] } as const;
    const after = run(locked, keepingLocks(locked, aside));
    expect(measuredIn(after)!.geometric).toBeGreaterThanOrEqual(1);
    expect(item(after, 'waist').curve.points[1]![1]).toBeGreaterThan(25);
    const away = { name: 'moveControlPoint', item: 'waist', index: 0, to: [104, 35] } as const;
    expect(() => keepingLocks(locked, away)).toThrow(/Arc can’t follow/);
  });

  it('is kept with a linked curve while its source moves', () => {
    const own = [ends[0], { item: 'image', end: 'end' }] as const;
    const linked = run(document, lockJoint(document, ...own, 'G1'));
    const pull = { name: 'moveHandle', item: 'arc', key: 'end', to: [90, -20] } as const;
    const after = run(linked, keepingLocks(linked, pull));
    expect(item(after, 'waist').curve.points[0]).toEqual([90, -20]);
  });
});

describe('locked knots', () => {
  /** Three cubic pieces in one curve, with triple knots at 1 and 2. */
  const pieces: Curve = {
    degree: 3,
    knots: [0, 0, 0, 0, 1, 1, 1, 2, 2, 2, 3, 3, 3, 3],
    points: [
      [0, 0],
      [10, 20],
      [25, 30],
      [40, 30],
      [55, 30],
      [65, 12],
      [75, 10],
      [85, 8],
      [100, 15],
      [110, 30],
    ],
  };
  const lockedAt = (continuity: JointContinuity, knots: readonly number[]): FigureDocument => {
    let document = figureOf(pieces);
    const own = (): CurveItem => document.items[0] as CurveItem;
    for (const knot of knots) {
      // Brought to it first, as a hand would.
      const curve = keepContinuityAtKnot(own().curve, knot, continuity, 'after');
      document = run(document, { name: 'setCurve', item: 'waist', curve });
      document = run(document, lockKnot(own(), knot, continuity));
    }
    return document;
  };
  const curveIn = (document: FigureDocument): Curve => (document.items[0] as CurveItem).curve;
  const orders = (document: FigureDocument): number[] =>
    measureContinuity(curveIn(document)).map(({ geometric }) => geometric);

  it('keep their continuity whichever point is pulled, in the same space, as one step', () => {
    for (const [continuity, order] of [
      ['G1', 1],
      ['G2', 2],
      ['C1', 1],
      ['C2', 2],
    ] as const) {
      const document = lockedAt(continuity, [1]);
      for (let index = 0; index < pieces.points.length; index++) {
        const [x, y] = curveIn(document).points[index]!;
        const move = { name: 'moveControlPoint', item: 'waist', index, to: [x! + 2, y! - 3] } as const;
        const command = keepingLocks(document, move);
        const { document: after, inverse } = applyFigureCommand(document, command);
        expect(orders(after)[0]).toBeGreaterThanOrEqual(order);
        expect(curveIn(after).knots).toEqual(pieces.knots);
        expect(curveIn(after).points[index]).toEqual([expect.closeTo(x! + 2, 9), expect.closeTo(y! - 3, 9)]);
        expect(applyFigureCommand(after, inverse).document).toEqual(document);
      }
    }
  });

  it('follow one another outwards from what was pulled', () => {
    const document = lockedAt('G1', [1, 2]);
    const [x, y] = curveIn(document).points[4]!;
    const move = { name: 'moveControlPoint', item: 'waist', index: 4, to: [x! + 1, y! - 8] } as const;
    const after = run(document, keepingLocks(document, move));
    expect(orders(after)).toEqual([
      expect.toSatisfy((n: number) => n >= 1),
      expect.toSatisfy((n: number) => n >= 1),
    ]);
    // What lies beyond the next knot stays where it is.
    expect(curveIn(after).points.slice(7)).toEqual(curveIn(document).points.slice(7));
  });

  it('leave alone what they need not change, and can be let go', () => {
    const document = lockedAt('G1', [1]);
    const far = { name: 'moveControlPoint', item: 'waist', index: 9, to: [120, 40] } as const;
    expect(keepingLocks(document, far)).toBe(far);
    const own = { ...(document.items[0] as CurveItem), lockedJoints: [] };
    expect(hasLocks({ ...document, items: [own] })).toBe(true);
    const free = run(document, lockKnot(document.items[0] as CurveItem, 1, null));
    expect(hasLocks(free)).toBe(false);
    const move = { name: 'moveControlPoint', item: 'waist', index: 2, to: [20, 10] } as const;
    expect(orders(run(free, keepingLocks(free, move)))[0]).toBe(0);
  });

  it('go along with their knot on the rail, and come back with it', () => {
    const document = lockedAt('G1', [1, 2]);
    const move = { name: 'moveKnot', item: 'waist', knot: 1, to: 1.4 } as const;
    const { document: after, inverse } = applyFigureCommand(document, keepingLocks(document, move));
    expect(lockedKnotsOf(after.items[0] as CurveItem).map(({ knot }) => knot)).toEqual([1.4, 2]);
    expect(Math.min(...orders(after))).toBeGreaterThanOrEqual(1);
    expect(applyFigureCommand(after, inverse).document).toEqual(document);
    // With only a part of it, or onto another knot, there is nothing to keep there.
    const part = run(document, { ...move, times: 1 });
    expect(lockedKnotsOf(part.items[0] as CurveItem).map(({ knot }) => knot)).toEqual([2]);
  });

  it('are kept on a closed curve too, at its seam and elsewhere', () => {
    // Twelve points run round, with triple knots at 0 and at 4.
    const knots = [0, 1, 2, 3, 4, 5, 6, 7].map((value) => ({ value, multiplicity: value % 4 === 0 ? 3 : 1 }));
    const round = Array.from({ length: 12 }, (_, k) => [
      50 * Math.cos((k * Math.PI) / 6),
      40 * Math.sin((k * Math.PI) / 6),
    ]);
    const closed: Curve = {
      degree: 3,
      knots: periodicKnotVector(knots, 8, 3),
      points: [...round, ...round.slice(0, 3)],
      periodic: true,
    };
    for (const continuity of ['G1', 'G2', 'C1', 'C2'] as const) {
      let document = figureOf(closed);
      const own = (): CurveItem => document.items[0] as CurveItem;
      for (const knot of [0, 4]) {
        expect(canLockKnot(own().curve, knot)).toBe(true);
        const curve = keepContinuityAtKnot(own().curve, knot, continuity, 'after');
        document = run(document, { name: 'setCurve', item: 'waist', curve });
        document = run(document, lockKnot(own(), knot, continuity));
      }
      for (let index = 0; index < distinctPointCount(closed); index++) {
        const [x, y] = curveIn(document).points[index]!;
        const move = { name: 'moveControlPoint', item: 'waist', index, to: [x! + 2, y! - 3] } as const;
        const command = keepingLocks(document, move);
        const { document: after, inverse } = applyFigureCommand(document, command);
        validateCurve(curveIn(after));
        for (const knot of [0, 4]) {
          const [measured] = measureContinuity(curveIn(after), undefined, (value) => value === knot);
          expect(measured![continuity.startsWith('C') ? 'parametric' : 'geometric']).toBeGreaterThanOrEqual(
            Number(continuity[1]),
          );
        }
        expect(curveIn(after).knots).toEqual(closed.knots);
        expect(applyFigureCommand(after, inverse).document).toEqual(document);
      }
    }
  });

  it('are refused where the curve can’t keep them, with the reason', () => {
    const document = lockedAt('G1', [1]);
    const move = { name: 'moveControlPoint', item: 'waist', index: 2, to: [40, 30] } as const;
    expect(() => keepingLocks(document, move)).toThrow(/locked at G1 at the knot 1/);
    expect(canLockKnot(pieces, 1)).toBe(true);
    expect(canLockKnot(waist, 1)).toBe(false);
  });
});
