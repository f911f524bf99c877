import type { Curve } from '@bogen/core/curve';
import { emptyFigure, piecesOf, type FigureDocument } from '@bogen/core/figure';
import { describe, expect, it } from 'vitest';
import { driftPreview, progressAt, risingKnots } from '../src/figure/apart/drift.js';
import { heldContinuities, jointChanges, shortContinuity } from '../src/editing/joints/jointChange.js';

const curve: Curve = {
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

describe('taking apart, step by step', () => {
  it('inserts one knot after the other, and then moves the pieces apart by the distance', () => {
    const missing = risingKnots(curve, [1, 2]);
    expect(missing).toEqual([1, 1, 2, 2]);
    expect(progressAt(0, 4)).toEqual({ inserted: 0, apart: 0 });
    const risen = new Set(Array.from({ length: 40 }, (_, k) => progressAt(k / 100, 4).inserted));
    expect([...risen]).toEqual([0, 1, 2, 3, 4]);
    expect(progressAt(1, 4)).toEqual({ inserted: 4, apart: 1 });
    const pieces = piecesOf(curve);
    const half = driftPreview(curve, missing, pieces, { inserted: 2, apart: 0 }, 10);
    expect(half.curves).toHaveLength(1);
    expect(half.curves![0]!.curve.points).toHaveLength(8);
    const apart = driftPreview(curve, missing, pieces, { inserted: 4, apart: 1 }, 10);
    expect(apart.curves).toHaveLength(3);
    expect(new Set(apart.curves!.map(({ color }) => color)).size).toBe(3);
    const [from, to] = [pieces[0]!.points[0]!, apart.curves![0]!.curve.points[0]!];
    expect(Math.hypot(to[0]! - from[0]!, to[1]! - from[1]!)).toBeCloseTo(10, 9);
    // Two legs at each of the two joints.
    expect(apart.pulls).toHaveLength(4);
  });
});

describe('what a continuity would come to', () => {
  const figure: FigureDocument = {
    ...emptyFigure(),
    items: piecesOf(curve, [1]).map((piece, k) => ({
      id: `p${k}`,
      name: `P${k}`,
      kind: 'curve',
      curve: piece,
    })),
  };
  const joint = {
    kind: 'joint',
    moves: { item: 'p1', end: 'start' },
    stays: { item: 'p0', end: 'end' },
  } as const;

  it('moves nothing where it is there already, and says which points move where it is not', () => {
    const [c0, c1] = jointChanges(figure, joint);
    expect(c0).toMatchObject({ continuity: 'G0', largestMove: 0, moves: [] });
    expect(c1).toMatchObject({ continuity: 'C1', largestMove: 0, moves: [] });
    const [first, second] = figure.items as readonly { curve: Curve }[];
    const bent = second!.curve.points.with(1, [60, 10]);
    const opened: FigureDocument = {
      ...figure,
      items: [
        { ...figure.items[0]!, curve: first!.curve } as never,
        { ...figure.items[1]!, curve: { ...second!.curve, points: bent } } as never,
      ],
    };
    const changes = jointChanges(opened, joint);
    const g1 = changes.find(({ continuity }) => continuity === 'G1');
    expect(g1).toMatchObject({ command: { name: 'setCurve', item: 'p1' } });
    expect('moves' in g1! && g1.moves.map(([from]) => from)).toEqual([[60, 10]]);
  });

  it('is refused in words where the curve can not carry it', () => {
    const knot = { kind: 'knot', item: 'p1', knot: 2 } as const;
    const line: FigureDocument = {
      ...figure,
      items: [
        {
          id: 'p1',
          name: 'Stairs',
          kind: 'curve',
          curve: { degree: 1, knots: [1, 1, 2, 3, 3], points: curve.points.slice(0, 3) },
        },
      ],
    };
    const [c0, ...others] = jointChanges(line, knot);
    expect(c0).toMatchObject({ largestMove: 0 });
    expect(others.filter((change) => 'refused' in change)).not.toHaveLength(0);
  });

  it('is written in short, and only what holds can be locked', () => {
    const zero = { position: 0, direction: 0, magnitude: 0, curvature: 0, curvatureDerivative: 0 };
    expect(shortContinuity({ ...zero, parametric: 2, geometric: 2 })).toBe('C2');
    expect(shortContinuity({ ...zero, parametric: 0, geometric: 1 })).toBe('C0 G1');
    expect(shortContinuity({ ...zero, parametric: -1, geometric: -1 })).toBe('–');
    expect(heldContinuities({ ...zero, parametric: 0, geometric: 2 })).toEqual(['G0', 'G1', 'G2']);
  });
});
