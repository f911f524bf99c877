import { figureCommandSchema, figureItemSchema } from '@bogen/contract';
import { clampedUniformKnots, validateCurve, type Point } from '@bogen/core/curve';
import {
  curveOfShape,
  emptyFigure,
  evaluateFigure,
  offeredOperations,
  operations,
  type FigureDocument,
  shapeKinds,
  type FigureItem,
  type SetPlace,
} from '@bogen/core/figure';
import { describe, expect, it } from 'vitest';
import { snap } from '../src/editing/draw/snap.js';
import {
  draftOf,
  firstOptions,
  toolNames,
  tools,
  leastOf,
  waysOf,
  withHovered,
} from '../src/editing/draw/tools.js';
import { planeProjection } from '../src/figure/geometry/projection.js';
import { referenceNames } from '../src/editing/draw/referenceNames.js';
import { referenceNameSide } from '../src/figure/paint/referenceNameSide.js';
import { expressionReader } from '../src/ui/expression.js';

const places: SetPlace[] = [
  [10, 20],
  [60, 25],
  [40, 60],
  [90, 70],
].map((at) => ({ at }));

describe('drawing tools', () => {
  it.each(['controlCurve', 'through', 'straight', 'chain'] as const)(
    '%s: the pointer on the place that was set last adds none',
    (name) => {
      const [first, second] = places as [SetPlace, SetPlace];
      expect(withHovered([first, second], [...second.at])).toHaveLength(2);
      expect(withHovered([first, second], first.at)).toHaveLength(3);
      // Unless a handle is pulled out of it.
      expect(withHovered([first, second], second.at, [0, 0])).toHaveLength(3);
      expect(withHovered([], first.at)).toEqual([first]);
      const draft = draftOf(name, withHovered([first, second], second.at), firstOptions);
      expect(draft.status === 'empty' ? undefined : draft.item).toBeDefined();
    },
  );

  it('can draw every shape, by its own tool or one that also draws another', () => {
    expect(new Set(toolNames.flatMap(waysOf))).toEqual(new Set(Object.keys(tools)));
    expect(Object.keys(tools)).toEqual(expect.arrayContaining([...shapeKinds]));
    expect(waysOf('arcBulge')).toEqual(waysOf('arcRadius'));
  });

  it.each(toolNames.flatMap(waysOf))(
    '%s says what is missing and comes to an item that the schema takes',
    (name) => {
      expect(draftOf(name, [], firstOptions)).toEqual({ status: 'empty' });
      const least = leastOf(name, firstOptions);
      const { most } = tools[name];
      for (let count = 1; count < least; count++) {
        const draft = draftOf(name, places.slice(0, count), firstOptions);
        expect(draft).toMatchObject({ status: 'short', missing: least - count });
      }
      const draft = draftOf(name, places.slice(0, Math.min(most, 4)), firstOptions);
      if (draft.status !== 'whole') throw new Error(`${name} is not whole`);
      const { item } = draft;
      if (item.kind === 'points') return;
      validateCurve(item.kind === 'curve' ? item.curve : curveOfShape(item.shape));
      expect(figureItemSchema.safeParse({ id: 'a', name: 'A', ...item }).success).toBe(true);
      expect(figureItemSchema.safeParse({ id: 'a', name: 'A', ...item, more: 1 }).success).toBe(false);
    },
  );

  it('take what fits them of what was chosen for another, and else what they begin with', () => {
    const periodic = { ...firstOptions, layout: 'periodic', degree: 5 };
    const made = (name: 'circle' | 'ellipse' | 'through') => draftOf(name, places, periodic);
    expect(made('circle')).toMatchObject({ item: { shape: { layout: { approximation: 'periodic' } } } });
    expect(made('ellipse')).toMatchObject({ item: { shape: { layout: 'quadratic9' } } });
    expect(made('through')).toMatchObject({ item: { shape: { degree: 5, parametrisation: 'chord' } } });
  });

  it('draw what the points so far can carry', () => {
    const draft = draftOf('controlCurve', places.slice(0, 3), { ...firstOptions, degree: 5 });
    expect(draft).toMatchObject({
      status: 'short',
      missing: 3,
      item: { kind: 'curve', curve: { degree: 2 } },
    });
  });

  it('close curves, pull handles to both sides, and take stairs along x first', () => {
    const closed = draftOf('controlCurve', places, { ...firstOptions, closed: true });
    expect(closed).toMatchObject({ item: { curve: { periodic: true } } });
    const chain = draftOf('chain', [{ at: [0, 0], pulled: [3, 1] }, { at: [9, 9] }], firstOptions);
    expect(chain).toMatchObject({
      item: {
        shape: {
          chain: {
            nodes: [
              { before: [-3, -1], after: [3, 1], kind: 'equal' },
              { before: [9, 9], after: [9, 9], kind: 'corner' },
            ],
          },
        },
      },
    });
    const steps = draftOf('stairs', places.slice(0, 2), firstOptions);
    expect(steps).toMatchObject({
      item: {
        curve: {
          points: [
            [10, 20],
            [60, 20],
            [60, 25],
          ],
        },
      },
    });
  });
});

describe('snapping', () => {
  const document: FigureDocument = {
    ...emptyFigure(),
    items: [
      { id: 'p', name: 'Peg', kind: 'point', at: [33, 44] },
      {
        id: 'c',
        name: 'Line',
        kind: 'curve',
        curve: {
          degree: 1,
          knots: clampedUniformKnots(3, 1),
          points: [
            [100, 10],
            [133, 43],
            [166, 10],
          ],
        },
      },
      { id: 'h', name: 'Hidden', kind: 'point', hidden: true, at: [71, 71] },
    ],
  };
  const evaluation = evaluateFigure(document);
  const projection = planeProjection(document.view, 960, 520);
  const at = (pointer: Point, before: Point[] = []) =>
    snap(pointer, before, document, evaluation, projection);

  it('is drawn to points, ends, curves, lines through places, and the grid, and says to what', () => {
    expect(at([33.8, 44.5])).toMatchObject({ at: [33, 44], kind: 'referencePoint', name: 'Peg' });
    expect(at([100.5, 10.4])).toMatchObject({ at: [100, 10], kind: 'end', name: 'Line' });
    expect(at([132.7, 43.3])).toMatchObject({ at: [133, 43], kind: 'controlPoint' });
    const onLine = at([115.3, 24.7]);
    expect(onLine.kind).toBe('curve');
    expect(onLine.at[1]! - onLine.at[0]!).toBeCloseTo(-90, 9);
    expect(at([50.9, 80.6])).toEqual(expect.objectContaining({ at: [50, 80], kind: 'grid' }));
    expect(at([47, 61.4], [[5, 61]])).toMatchObject({ at: [47, 61], kind: 'horizontal' });
    expect(at([5.3, 33.2], [[5, 61]])).toMatchObject({ kind: 'vertical' });
    expect(
      at(
        [64.4, 61.3],
        [
          [5, 61],
          [64, 12],
        ],
      ),
    ).toMatchObject({ at: [64, 61], kind: 'both' });
    expect(
      at(
        [5.2, 61.2],
        [
          [5, 61],
          [64, 12],
          [80, 80],
        ],
      ),
    ).toMatchObject({ at: [5, 61], kind: 'start' });
  });

  it('passes over what is hidden, and leaves a place alone that is near nothing', () => {
    expect(at([71.2, 71.2]).kind).not.toBe('peg');
    expect(at([64.51234, 35.5])).toEqual({ at: [64.512, 35.5], kind: null });
  });
});

describe('operations that can be asked for', () => {
  const curve = {
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

  it.each(offeredOperations)('%s begins with values that make an operation the schema takes', (name) => {
    const { first, sources, asks } = operations[name];
    const values = { ...first(curve, 0.4), ...('second' in sources ? { second: 'b' } : {}) };
    const item = { id: 'x', name: 'X', kind: 'built', operation: { name, source: 'a', ...values } };
    expect(figureCommandSchema.safeParse({ name: 'addItem', item, at: 0 }).error).toBeUndefined();
    // Every field that is asked for has a value to show.
    asks.forEach((key) => expect(values).toHaveProperty(key));
  });
});

describe('expressions', () => {
  it.each<[string, number]>([
    ['sqrt(2)/2', Math.SQRT1_2],
    ['3*cos(30 deg)', 3 * Math.cos(Math.PI / 6)],
    ['2^3 - 1', 7],
    [' 12.5 ', 12.5],
    ['-pi', -Math.PI],
    ['(1 + 2) * 3', 9],
  ])('%s is read', async (text, value) => {
    expect((await expressionReader())(text)).toBeCloseTo(value, 12);
  });

  it.each([
    '',
    'x + 1',
    '1 +',
    'import("fs")',
    'createUnit("foo")',
    'evaluate("1")',
    'parse("1")',
    'a = 3',
    'f(x) = x',
    '[1, 2]',
    '1; 2',
    '{a: 1}',
    '5 cm',
    'sqrt(-1)',
    '1/0',
    'cos',
    '1'.repeat(300),
  ])('%s is refused', async (text) => {
    expect((await expressionReader())(text)).toBeUndefined();
  });
});

describe('names of reference points', () => {
  it('are letters that mean nothing else beside a point, each once', () => {
    const next = referenceNames([{ id: 'p', name: 'B', kind: 'point', at: [0, 0] }]);
    const names = Array.from({ length: 40 }, next);
    expect(names.slice(0, 5)).toEqual(['A', 'C', 'D', 'F', 'G']);
    expect(new Set([...names, 'B']).size).toBe(41);
    expect(names.join('')).not.toMatch(/[ENPR]/);
  });
  it('stand on the side on which no control point has its name', () => {
    const points = [
      [0, 0],
      [50, 40],
      [100, 40],
      [150, 0],
    ];
    const sceneOf = (shown: Partial<FigureDocument['shown']>, ...more: FigureItem[]) => {
      const item: FigureItem = {
        id: 'a',
        name: 'A',
        kind: 'curve',
        curve: { degree: 3, knots: [0, 0, 0, 0, 1, 1, 1, 1], points },
      };
      const empty = emptyFigure();
      const document = { ...empty, items: [item, ...more], shown: { ...empty.shown, ...shown } };
      return { document, evaluation: evaluateFigure(document) } as never;
    };
    const all = sceneOf({ controlPoints: true, labels: true });
    // The ends have their names below, the last one to the right; those on top have theirs above.
    expect(points.map((point) => referenceNameSide(all, point))).toEqual(['right', 'right', 'right', 'left']);
    expect(referenceNameSide(all, [150, 0.01])).toBe('right');
    expect(referenceNameSide(sceneOf({ controlPoints: true, labels: false }), points[3]!)).toBe('right');
    expect(referenceNameSide(sceneOf({ controlPoints: false, labels: true }), points[3]!)).toBe('right');
  });
});
