import { describe, expect, it } from 'vitest';
import type { Curve } from '../../src/curve/curve.js';
import { insertKnot } from '../../src/curve/insertKnot.js';
import { clampedUniformKnots } from '../../src/curve/knotVector.js';
import { applyFigureCommand, readerMay } from '../../src/figure/change/applyCommand.js';
import { startOver } from '../../src/figure/change/startOver.js';
import { resultsAreTrue } from '../../src/figure/change/trueResults.js';
import type { FigureCommand } from '../../src/figure/command/commands.js';
import { emptyFigure, type FigureDocument } from '../../src/figure/document/document.js';
import type { Freedom, FreedomKind } from '../../src/figure/document/freedoms.js';
import { allow, allowanceFor, forbid } from '../../src/figure/freedom/allow.js';
import { freedoms } from '../../src/figure/freedom/freedoms.js';
import { usesOf } from '../../src/figure/operation/uses.js';

const curve: Curve = {
  degree: 3,
  knots: clampedUniformKnots(6, 3),
  points: [
    [0, 0],
    [10, 20],
    [30, 25],
    [50, 5],
    [70, 15],
    [90, 0],
  ],
};
const shape = { kind: 'circle', centre: [5, 5], radius: 3, layout: 'quadratic7' } as const;
const plain: FigureDocument = {
  ...emptyFigure(),
  items: [
    { id: 'a', name: 'A', kind: 'curve', curve },
    { id: 'b', name: 'B', kind: 'built', operation: { name: 'raiseDegree', source: 'a', times: 1 } },
    { id: 's', name: 'S', kind: 'shape', shape },
    { id: 'p', name: 'P', kind: 'point', at: [5, 5] },
  ],
  loose: { a: { controlPoints: [1], editPoints: [] } },
  rail: { item: 'a', tracks: ['knots', 'basis'] },
};
const inserted = (u: number): FigureCommand => ({
  name: 'operate',
  item: 'a',
  operation: { name: 'insertKnot', source: 'a', parameter: u, times: 1 },
  curve: insertKnot(curve, u),
});

interface Case {
  readonly freedom: Freedom;
  readonly allowed: readonly FigureCommand[];
  readonly refused: readonly FigureCommand[];
}
/** What each kind of freedom allows and what not; a new kind does not compile without its own. */
const cases: { readonly [Kind in FreedomKind]: Case } = {
  knots: {
    freedom: { kind: 'knots', item: 'a' },
    allowed: [{ name: 'moveKnot', item: 'a', knot: 1 / 3, to: 0.4 }],
    refused: [{ name: 'moveKnot', item: 'b', knot: 1 / 3, to: 0.4 }, inserted(0.4)],
  },
  weights: {
    freedom: { kind: 'weights', item: 'a', indices: [2, 3] },
    allowed: [{ name: 'setWeight', item: 'a', index: 3, weight: 2 }],
    refused: [
      { name: 'setWeight', item: 'a', index: 1, weight: 2 },
      { name: 'setWeight', item: 's', index: 3, weight: 2 },
    ],
  },
  values: {
    freedom: { kind: 'values', item: 's' },
    allowed: [{ name: 'setShape', item: 's', shape: { ...shape, radius: 4 } }],
    refused: [
      {
        name: 'setShape',
        item: 's',
        shape: { kind: 'rectangle', centre: [0, 0], width: 1, height: 1, angle: 0 } as never,
      },
      { name: 'setShape', item: 'a', shape },
      { name: 'setOperation', item: 'b', operation: { name: 'raiseDegree', source: 'a', times: 2 } },
    ],
  },
  degree: {
    freedom: { kind: 'degree', item: 'a', least: 2, most: 4 },
    allowed: [
      { name: 'setDegree', item: 'a', degree: 2 },
      { name: 'setDegree', item: 'a', degree: 4 },
    ],
    refused: [
      { name: 'setDegree', item: 'a', degree: 5 },
      { name: 'setDegree', item: 'b', degree: 3 },
    ],
  },
  anchors: {
    freedom: { kind: 'anchors', item: 'p' },
    allowed: [{ name: 'moveReferencePoint', item: 'p', to: [1, 1] }],
    refused: [
      { name: 'moveHandle', item: 's', key: 'rim', to: [1, 1] },
      { name: 'removeItem', item: 'p' },
    ],
  },
  operation: {
    freedom: { kind: 'operation', operation: 'insertKnot', item: 'a', most: 1 },
    allowed: [inserted(0.4)],
    refused: [
      {
        name: 'operate',
        item: 'a',
        operation: { name: 'raiseDegree', source: 'a', times: 1 },
        curve,
      },
      { name: 'batch', commands: [inserted(0.4) as never, inserted(0.6) as never] },
    ],
  },
  looks: {
    freedom: { kind: 'looks', keys: ['comb', 'hulls'] },
    allowed: [
      { name: 'setShown', shown: { comb: true } },
      { name: 'setShown', shown: { comb: true }, clear: ['hulls'] },
    ],
    refused: [
      { name: 'setShown', shown: { comb: true, knots: false } },
      { name: 'setShown', shown: {}, clear: ['ticks'] },
    ],
  },
  tracks: {
    freedom: { kind: 'tracks', tracks: ['curvature', 'basis'] },
    allowed: [
      { name: 'setRail', rail: { item: 'a', tracks: ['knots', 'basis', 'curvature'] } },
      { name: 'setRail', rail: { item: 'a', tracks: ['knots'], heights: { knots: 60 } } },
    ],
    refused: [
      { name: 'setRail', rail: { item: 'b', tracks: ['knots', 'basis'] } },
      { name: 'setRail', rail: { item: 'a', tracks: ['basis'] } },
      { name: 'setRail', rail: { item: 'a', tracks: ['knots', 'speed'] } },
    ],
  },
};

describe('what readers may do', () => {
  it.each(Object.keys(freedoms) as FreedomKind[])('is what the stage allows: %s', (kind) => {
    const { freedom, allowed, refused } = cases[kind];
    const start = { ...plain, readersMay: [freedom] };
    for (const command of allowed) {
      expect(readerMay(start, command, start)).toBe(true);
      expect(readerMay(plain, command, plain)).toBe(false);
    }
    for (const command of refused) expect(readerMay(start, command, start)).toBe(false);
    // Nobody allows more to themselves.
    const more: FigureCommand = { name: 'setReadersMay', freedoms: [freedom] };
    expect(readerMay(start, more, start)).toBe(false);
    expect(readerMay(start, { name: 'setUses', uses: {} }, start)).toBe(false);
  });

  it.each(Object.keys(freedoms) as FreedomKind[])('can be said by doing it: %s', (kind) => {
    const { allowed, freedom } = cases[kind];
    let document = plain;
    for (const command of allowed) {
      const allowance = allowanceFor(command, document);
      // What they may already is not asked for again.
      if (!allowance) continue;
      expect(allowance.kind).toBe(kind);
      document = applyFigureCommand(document, allow(document, allowance)).document;
    }
    expect(document.readersMay).toHaveLength(1);
    for (const command of allowed.slice(0, 1)) {
      expect(readerMay(document, command, document)).toBe(true);
      expect(allowanceFor(command, document)).toBeUndefined();
    }
    // The same twice is one.
    const again = applyFigureCommand(document, allow(document, document.readersMay![0]!)).document;
    expect(again.readersMay).toEqual(document.readersMay);
    expect(applyFigureCommand(again, forbid(again, 0)).document).toEqual(plain);
    expect(freedom.kind).toBe(kind);
  });

  it('a point is made loose, and what was loose stays so', () => {
    const move = (index: number): FigureCommand => ({
      name: 'moveControlPoint',
      item: 'a',
      index,
      to: [0, 0],
    });
    expect(allowanceFor(move(1), plain)).toBeUndefined();
    const allowance = allowanceFor(move(3), plain)!;
    const document = applyFigureCommand(plain, allow(plain, allowance)).document;
    expect(document.loose['a']!.controlPoints).toEqual([1, 3]);
    expect(allowanceFor({ name: 'removeItem', item: 'p' }, plain)).toBeUndefined();
  });

  it('values of a linked curve, but not what it is linked to', () => {
    const start: FigureDocument = { ...plain, readersMay: [{ kind: 'values', item: 'b' }] };
    const set = (source: string, times: number): FigureCommand => ({
      name: 'setOperation',
      item: 'b',
      operation: { name: 'raiseDegree', source, times },
    });
    expect(readerMay(start, set('a', 2), start)).toBe(true);
    expect(readerMay(start, set('s', 2), start)).toBe(false);
  });

  it('an operation as many times as it says, counted from the start', () => {
    const before = applyFigureCommand(plain, inserted(0.7)).document;
    expect(usesOf(before, 'insertKnot')).toBe(1);
    const start: FigureDocument = { ...before, readersMay: [cases.operation.freedom] };
    const once = applyFigureCommand(start, inserted(0.4));
    expect(readerMay(start, inserted(0.4), start)).toBe(true);
    expect(readerMay(once.document, inserted(0.6), start)).toBe(false);
    // Taken back, it is free again.
    const back = applyFigureCommand(once.document, once.inverse).document;
    expect(back).toEqual(start);
    const again = applyFigureCommand(once.document, startOver(once.document, start)!).document;
    expect(usesOf(again, 'insertKnot')).toBe(1);
  });

  it('always to go back to how it was, and nowhere else', () => {
    const start: FigureDocument = { ...plain, readersMay: [cases.operation.freedom] };
    const now = applyFigureCommand(applyFigureCommand(start, inserted(0.4)).document, {
      name: 'moveControlPoint',
      item: 'a',
      index: 1,
      to: [3, 3],
    }).document;
    const over = startOver(now, start)!;
    expect(readerMay(now, over, start)).toBe(true);
    expect(applyFigureCommand(now, over).document).toEqual(start);
    expect(startOver(start, start)).toBeUndefined();
    const elsewhere = startOver(now, { ...start, view: { ...start.view, left: -99 } })!;
    expect(readerMay(now, elsewhere, start)).toBe(false);
  });
});

describe('the result that a command carries', () => {
  it('is judged by doing the operation again', () => {
    expect(resultsAreTrue(plain, inserted(0.4))).toBe(true);
    const rounded = inserted(0.4) as Extract<FigureCommand, { name: 'operate' }>;
    const off = (by: number): FigureCommand => ({
      ...rounded,
      curve: { ...rounded.curve, points: rounded.curve.points.map(([x, y]) => [x! + by, y!]) },
    });
    expect(resultsAreTrue(plain, off(1e-12))).toBe(true);
    expect(resultsAreTrue(plain, off(1e-3))).toBe(false);
    expect(resultsAreTrue(plain, { ...rounded, curve })).toBe(false);
    expect(resultsAreTrue(plain, { ...rounded, curve: { ...rounded.curve, periodic: true } })).toBe(false);
    expect(
      resultsAreTrue(plain, {
        ...rounded,
        operation: { name: 'insertKnot', source: 'a', parameter: 7, times: 1 },
      }),
    ).toBe(false);
    expect(resultsAreTrue(plain, { name: 'setShown', shown: { comb: true } })).toBe(true);
  });
});
