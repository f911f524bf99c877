import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Curve } from '../../src/curve/curve.js';
import { editPoints } from '../../src/curve/editPoint.js';
import { pointAt } from '../../src/curve/evaluate.js';
import { insertKnot } from '../../src/curve/insertKnot.js';
import { clampedUniformKnots } from '../../src/curve/knotVector.js';
import { periodicCurve } from '../../src/curve/periodic.js';
import { applyFigureCommand } from '../../src/figure/change/applyCommand.js';
import { emptyFigure, type FigureDocument } from '../../src/figure/document/document.js';
import type { FigureItem, PictureItem } from '../../src/figure/document/item.js';
import {
  movePictureHandle,
  pictureCorners,
  pictureHandles,
  scalePictureBy,
} from '../../src/figure/document/picture.js';
import { curveOf, evaluateFigure } from '../../src/figure/evaluation/evaluate.js';
import { gripPlace, gripsOfItem, moveGrips, type Grip } from '../../src/figure/grip/grip.js';
import { withLinkedMove } from '../../src/figure/grip/linkedMove.js';
import {
  displacement,
  mapPlace,
  rotation,
  scaling,
  translation,
  type PlaneMap,
} from '../../src/figure/part/plane.js';
import { curveOfShape, type Shape } from '../../src/figure/shape/shapes.js';
import { holds } from '../holds.js';

const points = [
  [0, 0],
  [10, 30],
  [40, 35],
  [60, 5],
  [90, 20],
];
const cubic: Curve = { degree: 3, knots: clampedUniformKnots(5, 3), points };
const figureOf = (...items: FigureItem[]): FigureDocument => ({ ...emptyFigure(), items });
const shapeItem = (shape: Shape): FigureItem => ({ id: 's', name: 'S', kind: 'shape', shape });

/** The figure after several grips were taken along by a map. */
function moved(document: FigureDocument, grips: readonly Grip[], map: PlaneMap): FigureDocument {
  const command = moveGrips(document, grips, map)!;
  const { document: after, inverse } = applyFigureCommand(document, command);
  // Whatever is moved is one step, and is taken back exactly.
  expect(applyFigureCommand(after, inverse).document).toEqual(document);
  return after;
}

const similarities = fc
  .tuple(
    fc.double({ min: -50, max: 50, noNaN: true }),
    fc.double({ min: -50, max: 50, noNaN: true }),
    fc.double({ min: -180, max: 180, noNaN: true }),
    fc.double({ min: 0.2, max: 5, noNaN: true }),
    fc.constantFrom('move', 'turn', 'scale'),
  )
  .map(([x, y, degrees, factor, kind]) =>
    kind === 'move'
      ? translation(x, y)
      : kind === 'turn'
        ? rotation([x, y], degrees)
        : scaling([x, y], factor),
  );

describe('maps of the plane', () => {
  it('turn by quarters exactly and keep their centre', () => {
    expect(mapPlace(rotation([10, 0], 90), [20, 0])).toEqual([10, 10]);
    expect(mapPlace(rotation([10, 0], -270), [20, 0])).toEqual([10, 10]);
    expect(displacement(5, 180)).toEqual([-5, 0]);
    expect(displacement(2, 30)[1]).toBeCloseTo(1, 15);
    expect(mapPlace(scaling([4, 4], 3, 1), [5, 7])).toEqual([7, 7]);
  });
});

describe('several grips moved at once', () => {
  it('takes the whole of a curve or a shape where the map takes its points', () => {
    const shapes: Shape[] = [
      { kind: 'through', points, degree: 3, parametrisation: 'chord', closed: false },
      { kind: 'arcThrough', start: [0, 0], through: [20, 20], end: [40, 0] },
      { kind: 'arcRadius', start: [0, 0], end: [40, 0], radius: 30, side: 'left', large: false },
      { kind: 'circle', centre: [10, 10], radius: 15, layout: 'quadratic9' },
      { kind: 'ellipse', centre: [10, 10], axisX: [20, 5], axisY: [-2, 8], layout: 'quadratic9' },
      { kind: 'polygon', centre: [10, 10], corner: [30, 10], sides: 5 },
      { kind: 'conic', start: [0, 0], end: [40, 0], held: 'shoulder', place: [20, 15], rho: 0.4 },
      {
        kind: 'chain',
        chain: {
          closed: false,
          nodes: [
            { point: [0, 0], before: [-5, -5], after: [10, 10], kind: 'aligned' },
            { point: [40, 0], before: [30, 5], after: [50, -5], kind: 'equal' },
            { point: [60, 20], before: [50, 20], after: [60, 40], kind: 'corner' },
          ],
        },
      },
      {
        kind: 'stroke',
        points: Array.from({ length: 40 }, (_, k) => [k, 8 * Math.sin(k / 6)]),
        tolerance: 0.5,
        degree: 3,
      },
    ];
    holds(
      fc.property(fc.constantFrom(...shapes), similarities, (shape, map) => {
        const document = figureOf(shapeItem(shape));
        // A stroke's tolerance is a length of its own, so scaling may fit it another way.
        fc.pre(shape.kind !== 'stroke' || Math.abs(map.a * map.d - map.b * map.c - 1) < 1e-9);
        const after = moved(document, gripsOfItem(document.items[0]!), map).items[0]!;
        const before = curveOfShape(shape);
        const then = curveOfShape((after as FigureItem & { kind: 'shape' }).shape);
        // A full circle keeps where it starts, so turned circles are compared by their middle.
        if (shape.kind === 'circle') {
          const { centre, radius } = (after as FigureItem & { kind: 'shape' }).shape as typeof shape;
          const size = Math.hypot(map.a, map.c);
          expect(radius).toBeCloseTo(shape.radius * size, 9);
          mapPlace(map, shape.centre).forEach((v, k) => expect(centre[k]).toBeCloseTo(v, 9));
          return;
        }
        const [start, end] = [before.knots[0]!, before.knots.at(-1)!];
        const [from, to] = [then.knots[0]!, then.knots.at(-1)!];
        for (const share of [0, 0.2, 0.5, 0.77, 1]) {
          const expected = mapPlace(map, pointAt(before, start + share * (end - start)));
          const found = pointAt(then, from + share * (to - from));
          const near = shape.kind === 'stroke' ? 1.2 : 1e-6;
          expect(Math.hypot(found[0]! - expected[0]!, found[1]! - expected[1]!)).toBeLessThan(near);
        }
      }),
    );
  });

  it('moves only the points that are asked for, and edit points with the others held', () => {
    const document = figureOf({ id: 'c', name: 'C', kind: 'curve', curve: cubic });
    const some: Grip[] = [1, 3].map((index) => ({ item: 'c', of: 'controlPoints', index }));
    const after = curveOf(evaluateFigure(moved(document, some, translation(5, -5))), 'c')!;
    expect(after.points).toEqual(
      points.map((point, k) => (k === 1 || k === 3 ? [point[0]! + 5, point[1]! - 5] : point)),
    );
    const edits: Grip[] = [1, 2].map((index) => ({ item: 'c', of: 'editPoints', index }));
    const bent = curveOf(evaluateFigure(moved(document, edits, translation(0, 7))), 'c')!;
    const [before, then] = [editPoints(cubic), editPoints(bent)];
    then.forEach(({ point }, k) => {
      expect(point[1]).toBeCloseTo(before[k]!.point[1]! + (k === 1 || k === 2 ? 7 : 0), 9);
    });
  });

  it('keeps a periodic curve whole, leaves what is locked, and mixes kinds in one step', () => {
    const round = periodicCurve(3, points);
    const document = figureOf(
      { id: 'c', name: 'C', kind: 'curve', curve: round },
      { id: 'a', name: 'A', kind: 'point', at: [1, 1] },
      { id: 'b', name: 'B', kind: 'point', at: [2, 2], locked: true },
    );
    const grips = document.items.flatMap(gripsOfItem);
    expect(grips).toHaveLength(7);
    const after = moved(document, grips, translation(3, 4));
    const curve = curveOf(evaluateFigure(after), 'c')!;
    expect(curve.points[5]).toEqual(curve.points[0]);
    expect(after.items[1]).toMatchObject({ at: [4, 5] });
    expect(after.items[2]).toMatchObject({ at: [2, 2] });
    expect(gripPlace(after, evaluateFigure(after), { item: 'a', of: 'referencePoint' })).toEqual([4, 5]);
    expect(moveGrips(document, [{ item: 'gone', of: 'referencePoint' }], translation(1, 1))).toBeUndefined();
  });
});

describe('a background picture', () => {
  const picture: PictureItem = {
    id: 'p',
    name: 'P',
    kind: 'picture',
    picture: '00000000-0000-4000-8000-000000000000',
    size: [400, 300],
    centre: [50, 50],
    width: 40,
    angle: 0,
    flipped: false,
    fade: 0.5,
  };
  it('lies with its proportion about its centre, flipped and turned', () => {
    expect(pictureCorners(picture)).toEqual([
      [30, 35],
      [70, 35],
      [70, 65],
      [30, 65],
    ]);
    expect(pictureCorners({ ...picture, flipped: true })[0]).toEqual([70, 35]);
    expect(pictureCorners({ ...picture, angle: 90 })[0]).toEqual([65, 30]);
  });
  it('is moved by its centre, turned and scaled by its corner', () => {
    expect(movePictureHandle(picture, 'centre', [0, 0])).toEqual({ ...picture, centre: [0, 0] });
    for (const to of [
      [90, 80],
      [20, 60],
      [50, 20],
    ]) {
      const taken = movePictureHandle({ ...picture, flipped: to[0] === 20 }, 'corner', to);
      pictureHandles(taken)[1]!.at.forEach((v, k) => expect(v).toBeCloseTo(to[k]!, 9));
    }
    expect(movePictureHandle(picture, 'corner', picture.centre)).toEqual(picture);
  });
  it('is scaled by two places a known length apart, the first of which stays', () => {
    const scaled = scalePictureBy(picture, [30, 35], [70, 35], 80)!;
    expect(scaled.width).toBe(80);
    expect(pictureCorners(scaled)[0]).toEqual([30, 35]);
    expect(scalePictureBy(picture, [1, 1], [1, 1], 80)).toBeUndefined();
    expect(scalePictureBy(picture, [1, 1], [2, 1], 0)).toBeUndefined();
  });
  it('is nothing to build from, has no degree, and the rail is not its', () => {
    const built: FigureItem = {
      id: 'x',
      name: 'X',
      kind: 'built',
      operation: { name: 'reverse', source: 'p' },
    };
    const result = evaluateFigure(figureOf(picture, built)).items.get('x');
    expect(result).toMatchObject({ status: 'failed' });
    const document = figureOf(picture);
    expect(() => applyFigureCommand(document, { name: 'setDegree', item: 'p', degree: 2 })).toThrow(
      'no degree',
    );
    expect(() => applyFigureCommand(document, { name: 'setRail', rail: { item: 'p', tracks: [] } })).toThrow(
      'a curve',
    );
    expect(() =>
      applyFigureCommand(document, { name: 'replaceItem', item: { ...picture, width: 0 } }),
    ).toThrow('width above zero');
  });
});

describe('looks', () => {
  it('are taken back also where they were absent before, and also when stored as text', () => {
    const document = figureOf({ id: 'c', name: 'C', kind: 'curve', curve: cubic });
    const text = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
    const shown = applyFigureCommand(document, { name: 'setShown', shown: { hulls: true, spans: false } });
    const back = applyFigureCommand(shown.document, text(shown.inverse)).document;
    expect(back).toEqual(document);
    const looks = applyFigureCommand(document, {
      name: 'setLooks',
      looks: { combScale: 2, compareWith: 'c' },
    });
    expect(looks.document.looks).toEqual({ combScale: 2, compareWith: 'c' });
    expect(applyFigureCommand(looks.document, text(looks.inverse)).document).toEqual(document);
  });
});

describe('two curves side by side', () => {
  const [first, second] = ['c', 'd'].map((id): FigureItem => ({ id, name: id, kind: 'curve', curve: cubic }));
  const pair: FigureDocument = { ...figureOf(first!, second!), looks: { sideBySide: ['c', 'd'] } };
  const move = { name: 'moveControlPoint', item: 'c', index: 2, to: [43, 39] } as const;

  it('move the same point by the same way', () => {
    const command = withLinkedMove(pair, move);
    const after = evaluateFigure(applyFigureCommand(pair, command).document);
    for (const id of ['c', 'd']) expect(curveOf(after, id)!.points[2]).toEqual([43, 39]);
  });
  it('move the nearest point where one has more of them', () => {
    const longer = insertKnot(cubic, 0.25);
    const document = { ...pair, items: [first!, { ...second!, curve: longer } as FigureItem] };
    const command = withLinkedMove(document, move);
    if (command.name !== 'batch') throw new Error('not linked');
    const [, linked] = command.commands as unknown as [unknown, { index: number; to: number[] }];
    const gaps = longer.points.map(([x, y]) => Math.hypot(x! - 40, y! - 35));
    expect(gaps[linked.index]).toBe(Math.min(...gaps));
    expect(linked.to[0]! - longer.points[linked.index]![0]!).toBeCloseTo(3, 12);
  });
  it('stand alone where they are no pair, or one follows, is faint, or is locked', () => {
    expect(withLinkedMove({ ...pair, looks: {} }, move)).toBe(move);
    const built: FigureItem = {
      id: 'd',
      name: 'd',
      kind: 'built',
      operation: { name: 'reverse', source: 'c' },
    };
    for (const other of [built, { ...second!, faint: true } as FigureItem, { ...second!, locked: true }]) {
      expect(withLinkedMove({ ...pair, items: [first!, other] }, move)).toBe(move);
    }
  });
});
