import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Curve } from '../../src/curve/curve.js';
import { elevateDegree } from '../../src/curve/elevateDegree.js';
import { insertKnot } from '../../src/curve/insertKnot.js';
import { interpolate } from '../../src/curve/interpolate.js';
import { joinCurves } from '../../src/curve/join.js';
import { clampedUniformKnots } from '../../src/curve/knotVector.js';
import { reverseCurve } from '../../src/curve/reparametrise.js';
import { extractPart } from '../../src/curve/split.js';
import { applyFigureCommand, readerMay } from '../../src/figure/change/applyCommand.js';
import { migrateFigure } from '../../src/figure/change/migrateFigure.js';
import { startOver } from '../../src/figure/change/startOver.js';
import type { FigureCommand } from '../../src/figure/command/commands.js';
import { emptyFigure, type FigureDocument } from '../../src/figure/document/document.js';
import type { FigureItem } from '../../src/figure/document/item.js';
import { isMarked, isShown } from '../../src/figure/document/seen.js';
import { validateFigure } from '../../src/figure/document/validate.js';
import { curveOf, evaluateFigure } from '../../src/figure/evaluation/evaluate.js';
import type { Operation } from '../../src/figure/operation/operations.js';
import { CommandError } from '../../src/history/history.js';
import { migrate } from '../../src/migration/migrate.js';
import { coreSentences } from '../../src/told/coreSentences.js';
import { sentenceOf } from '../../src/told/told.js';
import { holds } from '../holds.js';

const points = [
  [0, 0],
  [10, 20],
  [30, 25],
  [50, 5],
  [70, 15],
  [90, 0],
];
const given = {
  id: 'a',
  name: 'A',
  kind: 'curve' as const,
  curve: { degree: 3, knots: clampedUniformKnots(6, 3), points } as Curve,
} satisfies FigureItem;
const built = (id: string, source: string, degree: number): FigureItem => ({
  id,
  name: id.toUpperCase(),
  kind: 'built',
  operation: { name: 'curveOfDegree', source, degree },
});
const figure: FigureDocument = {
  ...emptyFigure(),
  items: [
    built('b', 'a', 5),
    given,
    { ...given, id: 'c', name: 'C' },
    { id: 'p', name: 'P', kind: 'point', at: [5, 5] },
    built('d', 'c', 2),
  ],
  loose: { a: { controlPoints: [1, 2], editPoints: [3] } },
  rail: { item: 'a', tracks: ['knots'] },
};

const place = fc.array(fc.double({ min: -100, max: 100, noNaN: true }), { minLength: 2, maxLength: 2 });
const index = fc.integer({ min: 0, max: 5 });
const curveId = fc.constantFrom('a', 'c');
const commands: fc.Arbitrary<FigureCommand> = fc.oneof(
  fc.record({ name: fc.constant('moveControlPoint' as const), item: curveId, index, to: place }),
  fc.record({ name: fc.constant('moveEditPoint' as const), item: curveId, index, to: place }),
  fc.record({ name: fc.constant('moveReferencePoint' as const), item: fc.constant('p'), to: place }),
  fc.record({
    name: fc.constant('setDegree' as const),
    item: fc.constantFrom('a', 'b', 'c', 'd'),
    degree: fc.integer({ min: 1, max: 5 }),
  }),
  fc.record({
    name: fc.constant('setWeight' as const),
    item: curveId,
    index,
    weight: fc.double({ min: 0.1, max: 10, noNaN: true }),
  }),
  fc.record({
    name: fc.constant('setLoose' as const),
    item: curveId,
    of: fc.constantFrom('controlPoints' as const, 'editPoints' as const),
    indices: fc.array(index),
  }),
  fc.record({
    name: fc.constant('setShown' as const),
    shown: fc.record({ comb: fc.boolean(), knots: fc.boolean() }),
  }),
  fc.record({
    name: fc.constant('setRail' as const),
    rail: fc.record({ item: fc.constantFrom('a', 'd', null), tracks: fc.constant(['basis' as const]) }),
  }),
  fc.record({ name: fc.constant('renameItem' as const), item: curveId, to: fc.constantFrom('X', 'Y') }),
  fc.record({ name: fc.constant('removeItem' as const), item: fc.constantFrom('b', 'd', 'p') }),
  fc.record({
    name: fc.constant('addItem' as const),
    item: fc.constant(built('e', 'd', 4)),
    at: fc.integer({ min: 0, max: 5 }),
  }),
);

describe('figure commands', () => {
  it('are taken back exactly by their inverse, alone and as a batch, without changing the document given', () => {
    holds(
      fc.property(fc.array(commands, { minLength: 1, maxLength: 8 }), (list) => {
        const before = JSON.stringify(figure);
        let document = figure;
        const inverses: FigureCommand[] = [];
        const done: FigureCommand[] = [];
        for (const command of list) {
          try {
            const applied = applyFigureCommand(document, command);
            validateFigure(applied.document);
            document = applied.document;
            inverses.unshift(applied.inverse);
            done.push(command);
          } catch (error) {
            expect(error).toBeInstanceOf(CommandError);
          }
        }
        const after = document;
        for (const inverse of inverses) document = applyFigureCommand(document, inverse).document;
        expect(withoutEmptyLoose(document)).toEqual(withoutEmptyLoose(figure));
        expect(JSON.stringify(figure)).toBe(before);
        const single = done.filter((command) => command.name !== 'batch');
        const batch = applyFigureCommand(figure, { name: 'batch', commands: single });
        expect(batch.document).toEqual(after);
        expect(withoutEmptyLoose(applyFigureCommand(batch.document, batch.inverse).document)).toEqual(
          withoutEmptyLoose(figure),
        );
      }),
    );
  });

  it.each<[string, FigureCommand, RegExp]>([
    ['an item that is not there', { name: 'removeItem', item: 'zz' }, /no item zz/],
    ['a source that others need', { name: 'removeItem', item: 'a' }, /remove B first/],
    [
      'points of a built curve',
      { name: 'moveControlPoint', item: 'b', index: 0, to: [0, 0] },
      /follows its source/,
    ],
    [
      'a point that is not there',
      { name: 'moveControlPoint', item: 'a', index: 6, to: [0, 0] },
      /no control point 6/,
    ],
    ['NaN', { name: 'moveControlPoint', item: 'a', index: 1, to: [NaN, 0] }, /finite number/],
    [
      'a degree above the points',
      { name: 'setDegree', item: 'a', degree: 6 },
      /needs at least 7 control points; there are 6/,
    ],
    ['a weight of zero', { name: 'setWeight', item: 'a', index: 1, weight: 0 }, /above zero/],
    ['an id twice', { name: 'addItem', item: given, at: 0 }, /ids must be unique/],
    ['a circle', { name: 'replaceItem', item: built('b', 'b', 2) }, /built from itself/],
    ['a missing source', { name: 'addItem', item: built('e', 'nobody', 2), at: 0 }, /not in the figure/],
    [
      'a view without area',
      { name: 'setView', view: { left: 1, right: 1, bottom: 0, top: 1, grid: 1 } },
      /no area/,
    ],
    ['a rail on a point', { name: 'setRail', rail: { item: 'p', tracks: [] } }, /not to a reference point/],
  ])('refuse %s in one sentence', (_, command, sentence) => {
    expect(() => applyFigureCommand(figure, command)).toThrow(CommandError);
    expect(() => applyFigureCommand(figure, command)).toThrow(sentence);
  });
});

/** Setting loose points and taking it back may leave an entry without points; it means the same. */
function withoutEmptyLoose(document: FigureDocument): FigureDocument {
  const kept = Object.entries(document.loose).filter(
    ([, loose]) => loose.controlPoints.length + loose.editPoints.length > 0,
  );
  return { ...document, loose: Object.fromEntries(kept) };
}

describe('evaluation', () => {
  it('computes built items from their sources, whatever their order', () => {
    const evaluation = evaluateFigure(figure);
    expect(curveOf(evaluation, 'b')).toMatchObject({ degree: 5, points });
    expect(evaluation.items.get('p')).toEqual({ status: 'point', at: [5, 5] });
  });

  it('recomputes what a change reaches and nothing else', () => {
    const before = evaluateFigure(figure);
    const { document } = applyFigureCommand(figure, {
      name: 'moveControlPoint',
      item: 'a',
      index: 1,
      to: [1, 2],
    });
    const after = evaluateFigure(document, before);
    expect(after.items.get('c')).toBe(before.items.get('c'));
    expect(after.items.get('d')).toBe(before.items.get('d'));
    expect(curveOf(after, 'b')?.points[1]).toEqual([1, 2]);
    expect(after).toEqual(evaluateFigure(document));
  });

  it('leaves the others alone where an item fails, and passes the reason on', () => {
    const failing = { ...figure, items: [...figure.items, built('e', 'a', 7), built('f', 'e', 2)] };
    const evaluation = evaluateFigure(failing);
    const reason = { code: 'tooFewPoints', parameters: { least: 8 } };
    expect(evaluation.items.get('e')).toMatchObject({ status: 'failed', reason });
    expect(evaluation.items.get('f')).toMatchObject({
      status: 'failed',
      reason: { code: 'waitsForSource', parameters: { reason } },
    });
    expect(curveOf(evaluation, 'b')).toBeDefined();
  });

  it.each<[string, Operation, (source: Curve, second: Curve) => Curve]>([
    [
      'throughPoints',
      { name: 'throughPoints', source: 'a', degree: 3, parametrisation: 'chord' },
      ({ points }) => interpolate(points, 3, 'chord').curve,
    ],
    [
      'insertKnot',
      { name: 'insertKnot', source: 'a', parameter: 0.4, times: 2 },
      (source) => insertKnot(source, 0.4, 2),
    ],
    ['raiseDegree', { name: 'raiseDegree', source: 'a', times: 1 }, (source) => elevateDegree(source)],
    ['part', { name: 'part', source: 'a', from: 0.2, to: 0.7 }, (source) => extractPart(source, 0.2, 0.7)],
    ['reverse', { name: 'reverse', source: 'a' }, (source) => reverseCurve(source)],
    [
      'join',
      { name: 'join', source: 'a', second: 'r', tolerance: 1e-9 },
      (source, second) => joinCurves(source, second),
    ],
  ])('follows the source through %s, and a chain of operations', (_, operation, expected) => {
    const item = (id: string, made: Operation): FigureItem => ({
      id,
      name: id,
      kind: 'built',
      operation: made,
    });
    const document: FigureDocument = {
      ...figure,
      items: [
        item('x', operation),
        item('y', { name: 'reverse', source: 'x' }),
        item('r', { name: 'reverse', source: 'a' }),
        given,
      ],
    };
    validateFigure(document);
    const { document: moved } = applyFigureCommand(document, {
      name: 'moveControlPoint',
      item: 'a',
      index: 2,
      to: [33, 31],
    });
    const evaluation = evaluateFigure(moved, evaluateFigure(document));
    const source = curveOf(evaluation, 'a')!;
    expect(source.points[2]).toEqual([33, 31]);
    expect(curveOf(evaluation, 'x')).toEqual(expected(source, reverseCurve(source)));
    expect(curveOf(evaluation, 'y')).toEqual(reverseCurve(curveOf(evaluation, 'x')!));
  });

  it.each<[string, Operation, RegExp]>([
    [
      'a knot outside the domain',
      { name: 'insertKnot', source: 'a', parameter: 7, times: 1 },
      /must lie from 0 to 1/,
    ],
    ['a part without length', { name: 'part', source: 'a', from: 0.5, to: 0.5 }, /has no length/],
    ['a degree above nine', { name: 'raiseDegree', source: 'a', times: 8 }, /from 1 to 9/],
    ['ends that lie apart', { name: 'join', source: 'a', second: 'a', tolerance: 1 }, /apart/],
    ['a point as source', { name: 'reverse', source: 'p' }, /can’t be built from a point/],
  ])('tells why an operation can’t be done: %s', (_, operation, sentence) => {
    const document = {
      ...figure,
      items: [...figure.items, { id: 'x', name: 'X', kind: 'built' as const, operation }],
    };
    const result = evaluateFigure(document).items.get('x');
    expect(result).toMatchObject({ status: 'failed', reason: expect.anything() });
    if (result?.status === 'failed') expect(sentenceOf(result.reason, coreSentences)).toMatch(sentence);
    expect(() => applyFigureCommand(document, { name: 'setDegree', item: 'x', degree: 2 })).toThrow(
      /follows from its source/,
    );
  });

  it('ends on a circle that came in from outside', () => {
    const circle = { ...figure, items: [built('x', 'y', 2), built('y', 'x', 2)] };
    expect(evaluateFigure(circle).items.get('x')).toMatchObject({ status: 'failed' });
    expect(() => validateFigure(circle)).toThrow(/built from itself/);
  });
});

describe('what is marked', () => {
  const curve = (k: number): FigureItem => ({ ...given, id: `c${k}`, name: `C${k}` });
  const figureOf = (count: number): FigureDocument => ({
    ...emptyFigure(),
    items: Array.from({ length: count }, (_, k) => curve(k)),
    rail: { item: 'c3', tracks: [] },
  });

  it('of many items is the curve on the rail alone, unless another says that it is shown', () => {
    const few = figureOf(200);
    expect(few.items.every((item) => isMarked(few, item) && isShown(few, 'controlPoints', item))).toBe(true);
    const many = figureOf(201);
    expect(many.items.filter((item) => isMarked(many, item)).map(({ id }) => id)).toEqual(['c3']);
    expect(many.items.filter((item) => isShown(many, 'labels', item)).map(({ id }) => id)).toEqual(['c3']);
    expect(isShown(many, 'labels', { ...many.items[0]!, shown: { labels: true } })).toBe(true);
    expect(isShown(many, 'labels')).toBe(true);
  });

  it('a figure has room for 2,500 items and refuses one more, and long chains of what is built are looked through once', () => {
    const document = { ...figureOf(0), rail: { item: null, tracks: [] }, items: [curve(0)] };
    const commands = Array.from({ length: 2499 }, (_, k) => ({
      name: 'addItem' as const,
      item: built(`c${k + 1}`, `c${k}`, 4),
      at: k + 1,
    }));
    const full = applyFigureCommand(document, { name: 'batch', commands }).document;
    expect(full.items).toHaveLength(2500);
    expect(() => applyFigureCommand(full, { name: 'addItem', item: curve(3000), at: 0 })).toThrow(/2501/);
    const closing = { name: 'replaceItem' as const, item: built('c0', 'c9', 4) };
    expect(() => applyFigureCommand(full, closing)).toThrow(CommandError);
  });
});

describe('a student', () => {
  it('may move loose points, and set a curve back to its start', () => {
    const may = (command: FigureCommand) => readerMay(figure, command, figure);
    expect(may({ name: 'moveControlPoint', item: 'a', index: 1, to: [0, 0] })).toBe(true);
    expect(may({ name: 'moveControlPoint', item: 'a', index: 3, to: [0, 0] })).toBe(false);
    expect(may({ name: 'moveEditPoint', item: 'a', index: 3, to: [0, 0] })).toBe(true);
    expect(may({ name: 'moveEditPoint', item: 'c', index: 3, to: [0, 0] })).toBe(false);
    expect(may({ name: 'batch', commands: [{ name: 'setPoints', item: 'a', points }] })).toBe(true);
    expect(may({ name: 'setPoints', item: 'a', points: [[9, 9], ...points.slice(1)] })).toBe(false);
    expect(may({ name: 'setDegree', item: 'a', degree: 2 })).toBe(false);
    expect(
      may({ name: 'batch', commands: [{ name: 'setLoose', item: 'a', of: 'controlPoints', indices: [0] }] }),
    ).toBe(false);
  });

  it('starts over with what the published figure had, and only where something moved', () => {
    expect(startOver(figure, figure)).toBeUndefined();
    const { document } = applyFigureCommand(figure, {
      name: 'moveEditPoint',
      item: 'a',
      index: 3,
      to: [40, 40],
    });
    const command = startOver(document, figure)!;
    expect(readerMay(document, command, figure)).toBe(true);
    expect(applyFigureCommand(document, command).document).toEqual(figure);
  });
});

describe('versions', () => {
  it('are led through every step to the current one', () => {
    const steps = {
      1: (old: object) => ({ ...old, two: true }),
      2: (old: object) => ({ ...old, three: true }),
    };
    expect(migrate({ version: 1, one: true }, 3, steps)).toEqual({
      version: 3,
      one: true,
      two: true,
      three: true,
    });
    expect(migrate({ version: 3 }, 3, steps)).toEqual({ version: 3 });
  });
  it.each([
    [null, /no version/],
    ['text', /no version/],
    [{}, /no version/],
    [{ version: 0 }, /never existed/],
    [{ version: 1.5 }, /never existed/],
    [{ version: 99 }, /versions up to 3/],
  ])('refuse %j', (stored, sentence) => {
    expect(() => migrateFigure(stored)).toThrow(sentence);
  });
  it('make knots equal that can’t be told apart, as every edit does', () => {
    const near = { ...given.curve, knots: [0, 0, 0, 0, 0.3, 0.1 + 0.2, 1, 1, 1, 1] };
    const equal = { ...near, knots: near.knots.with(5, 0.3) };
    const stored = { ...emptyFigure(), items: [{ ...given, curve: near }] };
    const brought = migrateFigure({ ...stored, version: 2 }) as unknown as FigureDocument;
    expect(brought.items[0]).toEqual({ ...given, curve: equal });
    validateFigure(brought);
    expect(() => validateFigure(stored)).toThrow(/can’t be told apart/);
    const held = (command: FigureCommand, before: FigureDocument): unknown =>
      applyFigureCommand(before, command).document.items[0];
    expect(held({ name: 'addItem', item: { ...given, curve: near }, at: 0 }, emptyFigure())).toEqual(
      brought.items[0],
    );
    expect(held({ name: 'setCurve', item: 'a', curve: near }, { ...stored, items: [given] })).toEqual(
      brought.items[0],
    );
  });
  it('refuse a gap in the way', () => {
    expect(() => migrate({ version: 1 }, 3, { 2: (old) => old })).toThrow(
      /version 1 can’t be brought to version 2/,
    );
  });
});
