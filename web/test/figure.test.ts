import { figureItemSchema } from '@bogen/contract';
import { exactCircle, facetsOf, pointAt, sampleCurve, type Point } from '@bogen/core/curve';
import {
  applyFigureCommand,
  curveOf,
  evaluateFigure,
  type FigureCommand,
  type FigureDocument,
  type FigureItem,
  type Grip,
} from '@bogen/core/figure';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import { snap } from '../src/editing/draw/snap.js';
import { snapMoved } from '../src/editing/draw/snapMoved.js';
import { mirrorAxis, firstOptions } from '../src/editing/draw/tools.js';
import { panesOf } from '../src/figure/scene/pane.js';
import { planeProjection } from '../src/figure/geometry/projection.js';
import { movedWindow, railAxis, zoomedWindow } from '../src/rail/axis.js';
import { tracks } from '../src/rail/tracks.js';
import { trackWords } from '../src/rail/trackWords.js';
import { recursionOf } from '../src/editing/unfold/recursion.js';
import { shownGroups, shownKeys } from '../src/editing/looks/shownKeys.js';
import { cubic, curve, figure, reversed } from './support/figures.js';

describe('copy and paste', () => {
  const store = new Map<string, string>();
  beforeAll(() => {
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => store.get(key) ?? null,
      setItem: (key: string, value: string) => store.set(key, value),
    });
  });
  const sceneOf = (document: FigureDocument, grips: readonly Grip[] = []) =>
    ({ document, evaluation: evaluateFigure(document), selected: { grips } }) as never;

  it('keeps links between what is copied together, and frees what loses its source', async () => {
    const { copyItems, copiedItems, pasteCommand, itemsToCopy } =
      await import('../src/editing/clipboard/clipboard.js');
    const twice: FigureItem = {
      id: 't',
      name: 'T',
      kind: 'built',
      operation: { name: 'raiseDegree', source: 'r', times: 1 },
    };
    // The built ones stand before their sources, as they may.
    const document = figure(twice, reversed, curve);
    const grips: Grip[] = [{ item: 'a', of: 'controlPoints', index: 0 }];
    expect(itemsToCopy(sceneOf(document, grips))).toEqual([curve]);

    copyItems(sceneOf(document), document.items);
    const other = figure();
    const pasted = applyFigureCommand(other, pasteCommand(other, copiedItems()!)).document;
    expect(pasted.items.map(({ name }) => name).sort()).toEqual(['A', 'R', 'T']);
    expect(pasted.items.every((item) => figureItemSchema.safeParse(item).success)).toBe(true);
    const ids = pasted.items.map(({ id }) => id);
    for (const id of ['a', 'r', 't']) expect(ids).not.toContain(id);
    const results = evaluateFigure(pasted).items;
    expect([...results.values()].map(({ status }) => status)).toEqual(['curve', 'curve', 'curve']);

    copyItems(sceneOf(document), [reversed]);
    const [alone] = copiedItems()!;
    expect(alone).toMatchObject({ kind: 'curve', curve: { points: cubic.points.toReversed() } });
  });

  it('puts a copy aside where it comes from, and in its place elsewhere', async () => {
    const { copyItems, copiedItems, pasteCommand, readItems } =
      await import('../src/editing/clipboard/clipboard.js');
    const document = figure(curve);
    copyItems(sceneOf(document), [curve]);
    const last = (command: FigureCommand, into: FigureDocument) => {
      const { document: after } = applyFigureCommand(into, command);
      return curveOf(evaluateFigure(after), after.items.at(-1)!.id)!.points;
    };
    expect(last(pasteCommand(document, copiedItems()!), document)[0]).toEqual([10, 0]);
    expect(last(pasteCommand(figure(), copiedItems()!), figure())).toEqual(cubic.points);
    for (const text of ['', 'nonsense', '12 points or so']) expect(readItems(text)).toBeUndefined();
    // What begins like a file and is none is told.
    for (const text of ['{}', '{"format":"bogen-figure-items","version":1,"items":[{"id":"x"}]}', '<svg>'])
      expect(() => readItems(text)).toThrow();
    expect(readItems('10, 20\n30 , 25\n')).toMatchObject([
      {
        curve: {
          points: [
            [10, 20],
            [30, 25],
          ],
        },
      },
    ]);
  });
});

describe('guiding lines', () => {
  const peg: FigureItem = { id: 'p', name: 'Q', kind: 'point', at: [60, 37] };
  const document: FigureDocument = {
    ...figure(curve, peg),
    view: { left: 0, right: 200, bottom: 0, top: 100, grid: 1000 },
  };
  const evaluation = evaluateFigure(document);
  const projection = planeProjection(document.view, 800, 400);
  const at = (pointer: number[], ...places: number[][]) =>
    snap(pointer, places, document, evaluation, projection);

  it('keep the tangent at an end that one goes on from', () => {
    // The tangent at the end runs from (175, 60) to (200, 10): beyond it the pointer is drawn upon its line.
    const snapped = at([204.6, 0.2], [200, 10]);
    expect(snapped).toMatchObject({ kind: 'tangent', name: 'A' });
    const [x, y] = snapped.at as [number, number];
    expect((x - 200) * -50 - (y - 10) * 25).toBeCloseTo(0, 1);
  });
  it('go on in line with the last two places, and towards a reference point', () => {
    expect(at([130.5, 30.4], [90, 10], [110, 20]).kind).toBe('line');
    const towards = at([90.4, 34.6], [30, 40]);
    expect(towards).toMatchObject({ kind: 'through', name: 'Q' });
  });
  it('keep whole angles of fifteen degrees', () => {
    const snapped = at([60 + 40 * Math.cos(0.53), 8 + 40 * Math.sin(0.53)], [60, 8]);
    expect(snapped).toMatchObject({ kind: 'angle', name: '30' });
    const [x, y] = snapped.at as [number, number];
    expect(Math.atan2(y - 8, x - 60)).toBeCloseTo(Math.PI / 6, 3);
  });
});

describe('a point on the move', () => {
  const peg: FigureItem = { id: 'p', name: 'Q', kind: 'point', at: [60, 37] };
  const other: FigureItem = {
    id: 'b',
    name: 'B',
    kind: 'curve',
    curve: {
      degree: 1,
      knots: [0, 0, 1, 1],
      points: [
        [10, 30],
        [150, 30],
      ],
    },
  };
  const document: FigureDocument = {
    ...figure(curve, peg, reversed, other),
    view: { left: 0, right: 200, bottom: 0, top: 100, grid: 1000 },
  };
  const before = { document, evaluation: evaluateFigure(document) };
  const projection = planeProjection(document.view, 800, 400);
  const drawnTo = (pointer: Point, index = 2) =>
    snapMoved({ evaluation: before.evaluation } as never, grip(index), pointer, before, projection);
  const grip = (index: number): Grip => ({ item: 'a', of: 'controlPoints', index });

  it('is drawn to reference points, other curves and the other points of its own curve', () => {
    expect(drawnTo([61, 37.6])).toMatchObject({ at: [60, 37], kind: 'referencePoint', name: 'Q' });
    const onOther = drawnTo([83.3, 30.7]);
    expect(onOther).toMatchObject({ kind: 'curve', name: 'B' });
    expect(onOther.at[1]).toBeCloseTo(30, 9);
    // The next point is one to lie on and not one to close at.
    expect(drawnTo([120.4, 84.6])).toMatchObject({ at: [120, 85], kind: 'controlPoint', name: 'P3 A' });
  });
  it('is not drawn to its own place, its own curve, nor to what is built from it', () => {
    for (const place of [cubic.points[2]!, pointAt(cubic, 0.4), pointAt(cubic, 0.61)]) {
      expect(['controlPoint', 'curve', 'knot', 'end']).not.toContain(drawnTo(place).kind);
    }
  });
  it('is drawn to the height of its neighbours and into line with the two before it', () => {
    expect(drawnTo([90, 84.5])).toMatchObject({ at: [90, 85], kind: 'horizontal' });
    // From P1 (20, 70) over P2 (70, 90): two steps in five.
    const { at, kind } = drawnTo([120.1, 110.3], 3);
    expect(kind).toBe('line');
    expect((at[1]! - 70) * 50 - (at[0]! - 20) * 20).toBeCloseTo(0, 1);
  });
});

describe('panes', () => {
  it('are two where two curves stand side by side, each with its own curve and the reference points', () => {
    const document = figure(curve, { ...curve, id: 'b' }, { id: 'p', name: 'P', kind: 'point', at: [0, 0] });
    expect(panesOf(document)).toHaveLength(1);
    const [left, right] = panesOf({ ...document, looks: { sideBySide: ['a', 'b'] } });
    expect(['a', 'b', 'p'].map((id) => left!.shows(id))).toEqual([true, false, true]);
    expect(['a', 'b', 'p'].map((id) => right!.shows(id))).toEqual([false, true, true]);
    // A curve that was deleted meanwhile leaves the figure whole.
    expect(panesOf({ ...document, looks: { sideBySide: ['a', 'gone'] } })).toHaveLength(1);
  });
});

describe('the rail', () => {
  it('zooms about a parameter that keeps its place, and never leaves the domain', () => {
    const part = zoomedWindow(cubic, null, 4, 0.5)!;
    expect(part).toEqual([0.375, 0.625]);
    const [before, after] = [null, part].map((shown) => railAxis(cubic, 800, shown)(0.5));
    expect(after).toBeCloseTo(before!, 9);
    expect(zoomedWindow(cubic, part, 0.1, 0.5)).toBeNull();
    expect(movedWindow(cubic, part, 100)).toEqual([0.75, 1]);
    expect(movedWindow(cubic, part, -100)).toEqual([0, 0.25]);
    expect(zoomedWindow(cubic, null, 1e9, 0.2)![1] - zoomedWindow(cubic, null, 1e9, 0.2)![0]).toBeCloseTo(
      0.001,
      9,
    );
  });
  it('reads the basis functions at the cursor, and finds the one under the pointer', () => {
    const contents = {
      curve: cubic,
      compared: undefined,
      made: undefined,
      exact: false,
      lit: null,
      looks: {} as never,
      words: trackWords,
    };
    expect(tracks.basis.valuesAt(contents, 0)).toEqual(['N0 1.000', 'N1 0.000', 'N2 0.000', 'N3 0.000']);
    const axis = railAxis(cubic, 800, null);
    const input = { ...contents, axis, width: 800, height: 96 };
    expect(tracks.basis.pickAt!(input, axis(0), 15)).toBe(0);
    expect(tracks.basis.pickAt!(input, axis(1), 15)).toBe(5);
    expect(tracks.basis.pickAt!(input, 2, 15)).toBeNull();
  });
});

describe('the construction in numbers', () => {
  it('writes each step with its share and both parents', async () => {
    const { deBoorConstruction } = await import('@bogen/core/curve');
    const construction = deBoorConstruction(cubic, 0.5);
    expect(recursionOf(construction, 0, 0, false)).toBeNull();
    const tex = recursionOf(construction, 1, 0, false)!;
    const { point, share } = construction.levels[1]![0]!;
    expect(tex).toContain(String(Number(share!.toFixed(3))));
    expect(tex).toContain(String(Number(point[0]!.toFixed(3))));
    const circle = exactCircle({ centre: [0, 0], radius: 5, x: [1, 0], y: [0, 1] }, 'quadratic9');
    expect(recursionOf(deBoorConstruction(circle, 0.1), 1, 0, true)).toContain('w_a');
  });
});

describe('keys and options', () => {
  it('give every look a key of its own, and none that means something else', () => {
    const keys = Object.values(shownKeys);
    expect(new Set(keys).size).toBe(keys.length);
    for (const taken of ['l', 'j', 'z', '0', '+', '-', '?']) expect(keys).not.toContain(taken);
    expect(Object.values(shownGroups).flat().sort()).toEqual(Object.keys(shownKeys).sort());
  });
  it('mirror about a line through the typed place', () => {
    expect(mirrorAxis(firstOptions)).toBeUndefined();
    expect(mirrorAxis({ ...firstOptions, mirror: 'vertical', mirrorAt: 7 })).toEqual([
      [7, 0],
      [7, 1],
    ]);
  });
  it('count the facets that are drawn', () => {
    expect(facetsOf(cubic, 1).points.length).toBeLessThan(sampleCurve(cubic, 48).parameters.length);
  });
});
