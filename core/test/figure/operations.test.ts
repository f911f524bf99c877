import { describe, expect, it } from 'vitest';
import type { Curve } from '../../src/curve/curve.js';
import { pointAt } from '../../src/curve/evaluate.js';
import { clampedUniformKnots } from '../../src/curve/knotVector.js';
import { validateCurve } from '../../src/curve/validate.js';
import { applyFigureCommand } from '../../src/figure/change/applyCommand.js';
import { emptyFigure, type FigureDocument } from '../../src/figure/document/document.js';
import type { FigureItem } from '../../src/figure/document/item.js';
import { validateFigure } from '../../src/figure/document/validate.js';
import { curveOf, evaluateFigure } from '../../src/figure/evaluation/evaluate.js';
import { previewOperation } from '../../src/figure/evaluation/preview.js';
import { handlesOfItem, moveHandleOf } from '../../src/figure/grip/grip.js';
import { operations, type Operation } from '../../src/figure/operation/operations.js';
import { curveOfShape, handlesOfShape, moveShapeHandle, type Shape } from '../../src/figure/shape/shapes.js';
import { CommandError } from '../../src/history/history.js';
import { coreSentences } from '../../src/told/coreSentences.js';
import { sentenceOf } from '../../src/told/told.js';

const curve: Curve = {
  degree: 3,
  knots: clampedUniformKnots(7, 3),
  points: [
    [0, 0],
    [10, 60],
    [60, 90],
    [110, 40],
    [150, 80],
    [190, 20],
    [200, 0],
  ],
};
const second: Curve = { ...curve, points: curve.points.map(([x, y]) => [x! + 200, -y!]) };
const corner: Curve = {
  degree: 1,
  knots: [0, 0, 1, 2, 2],
  points: [
    [0, 0],
    [40, 0],
    [40, 30],
  ],
};
const peg = (id: string, at: number[]): FigureItem => ({ id, name: id, kind: 'point', at });
const figure: FigureDocument = {
  ...emptyFigure(),
  items: [
    { id: 'a', name: 'Upper bout', kind: 'curve', curve },
    { id: 'b', name: 'Lower bout', kind: 'curve', curve: second },
    { id: 'c', name: 'Foot', kind: 'curve', curve: corner },
    {
      id: 'ring',
      name: 'Ring',
      kind: 'built',
      operation: { name: 'close', source: 'a', way: 'wrap', continuity: 1 },
    },
    peg('p', [0, 0]),
    peg('q', [40, 50]),
    peg('r', [90, 10]),
    peg('s', [130, 40]),
  ],
};
const pegs = ['p', 'q', 'r', 's'];
const axis = [
  [200, -10],
  [200, 10],
] as const;

const rounding = {
  corner: 1,
  radius: 8,
  setback: 9,
  rho: 0.4,
  continuity: 'G2',
  strength: 1,
} as const;
const box = [
  [20, 0],
  [120, 100],
] as const;

/** Every operation with arguments that it can be done with, and whether it changes the shape. */
const cases: readonly [Operation, changes: boolean][] = [
  [{ name: 'copy', source: 'a', offset: [10, 20] }, false],
  [{ name: 'curveOfDegree', source: 'a', degree: 5 }, false],
  [{ name: 'throughPoints', source: 'a', degree: 3, parametrisation: 'centripetal' }, false],
  [{ name: 'curveOnReferencePoints', points: pegs, degree: 2, closed: false }, false],
  [{ name: 'curveOnReferencePoints', points: pegs, degree: 3, closed: true }, false],
  [
    { name: 'curveThroughReferencePoints', points: pegs, degree: 3, parametrisation: 'chord', closed: false },
    false,
  ],
  [
    { name: 'curveThroughReferencePoints', points: pegs, degree: 3, parametrisation: 'chord', closed: true },
    false,
  ],
  [{ name: 'insertKnot', source: 'a', parameter: 0.3, times: 2 }, false],
  [{ name: 'insertEditPoint', source: 'a', parameter: 0.43 }, false],
  [{ name: 'removePoint', source: 'a', index: 2 }, true],
  [{ name: 'removeKnot', source: 'a', parameter: 0.5, times: 1 }, true],
  [{ name: 'raiseDegree', source: 'a', times: 2 }, false],
  [{ name: 'lowerDegree', source: 'a', times: 1 }, true],
  [{ name: 'part', source: 'a', from: 0.2, to: 0.6 }, false],
  [{ name: 'piece', source: 'a', index: 3 }, false],
  [{ name: 'trimToBox', source: 'a', corners: box, index: 0 }, false],
  [{ name: 'split', source: 'a', parameter: 0.4, side: 'after' }, false],
  [{ name: 'join', source: 'a', second: 'b', tolerance: 1e-6 }, false],
  [{ name: 'match', source: 'a', second: 'b', continuity: 'G2', curveEnd: 'end', targetEnd: 'start' }, true],
  [
    {
      name: 'match',
      source: 'a',
      second: 'b',
      continuity: 'G2',
      curveEnd: 'end',
      targetEnd: 'start',
      movement: 'least',
    },
    true,
  ],
  [
    {
      name: 'bridge',
      source: 'a',
      second: 'b',
      end: 'end',
      continuity: 'G2',
      strength: 1.5,
      secondEnd: 'end',
      secondContinuity: 'G1',
      secondStrength: 1,
    },
    false,
  ],
  [{ name: 'roundCorner', source: 'c', ...rounding, rounding: 'byRadius' }, false],
  [{ name: 'roundCorner', source: 'c', ...rounding, rounding: 'byRho' }, false],
  [{ name: 'roundCorner', source: 'c', ...rounding, rounding: 'byBridge' }, false],
  [{ name: 'continuityAtKnot', source: 'a', parameter: 0.5, continuity: 'G1' }, true],
  [{ name: 'reverse', source: 'a' }, false],
  [{ name: 'close', source: 'a', way: 'pull', continuity: 0 }, false],
  [{ name: 'close', source: 'a', way: 'bridge', continuity: 2 }, false],
  [{ name: 'open', source: 'ring', parameter: 0.4 }, false],
  [{ name: 'moveStart', source: 'ring', parameter: 0.4 }, false],
  [{ name: 'mapDomain', source: 'a', start: 0, end: 5 }, false],
  [{ name: 'mobius', source: 'a', factor: 2 }, false],
  [{ name: 'evenOut', source: 'a', held: [{ at: 0.5 }], perSpan: 2 }, true],
  [{ name: 'refit', source: 'a', degree: 5, spans: 2 }, true],
  [{ name: 'fitToTolerance', source: 'a', degree: 3, tolerance: 2 }, true],
  [{ name: 'mirror', source: 'a', axis }, false],
  [{ name: 'symmetric', source: 'a', axis, smooth: true }, false],
  [{ name: 'convert', source: 'a', kind: 'bezier' }, true],
];

describe('built items', () => {
  it.each(cases)('%o previews and builds the same curve, and follows its source', (operation, changes) => {
    const preview = previewOperation(figure, operation);
    if (preview.status === 'failed') throw new Error(sentenceOf(preview.reason, coreSentences));
    validateCurve(preview.curve);
    expect(preview.after.points).toBeGreaterThan(0);
    expect(preview.deviation !== undefined).toBe(changes);
    const item: FigureItem = { id: 'new', name: 'New', kind: 'built', operation };
    const { document, inverse } = applyFigureCommand(figure, {
      name: 'addItem',
      item,
      at: figure.items.length,
    });
    validateFigure(document);
    const evaluation = evaluateFigure(document);
    expect(curveOf(evaluation, 'new')).toEqual(preview.curve);
    // Moving what it is built from changes it; nothing else is computed again.
    const moved = applyFigureCommand(
      document,
      'points' in operation
        ? { name: 'moveReferencePoint', item: 'q', to: [45, 60] }
        : operation.source === 'c'
          ? { name: 'moveControlPoint', item: 'c', index: 2, to: [45, 31] }
          : { name: 'moveControlPoint', item: 'a', index: 4, to: [150, 95] },
    ).document;
    const after = evaluateFigure(moved, evaluation);
    expect(after.items.get('new')).not.toBe(evaluation.items.get('new'));
    expect(after.items.get('b')).toBe(evaluation.items.get('b'));
    expect(applyFigureCommand(document, inverse).document).toEqual(figure);
  });

  it('cover every operation', () => {
    expect(new Set(cases.map(([{ name }]) => name))).toEqual(new Set(Object.keys(operations)));
  });

  it.each<[string, Operation, RegExp]>([
    ['a knot that is not there', { name: 'removeKnot', source: 'a', parameter: 0.33, times: 1 }, /no knot/],
    ['a piece too many', { name: 'piece', source: 'a', index: 9 }, /no piece 9/],
    ['ends that lie apart', { name: 'join', source: 'b', second: 'a', tolerance: 1e-6 }, /apart/],
    ['an open curve opened', { name: 'open', source: 'a', parameter: 0.5 }, /open already/],
    ['degree 10', { name: 'raiseDegree', source: 'a', times: 7 }, /1 to 9/],
    ['degree 0', { name: 'lowerDegree', source: 'a', times: 3 }, /1 is the lowest/],
    [
      'too few pegs',
      { name: 'curveOnReferencePoints', points: ['p', 'q'], degree: 3, closed: false },
      /at least 4/,
    ],
    [
      'a curve as a peg',
      { name: 'curveOnReferencePoints', points: ['a', 'q'], degree: 1, closed: false },
      /built from points/,
    ],
    ['a peg as a curve', { name: 'reverse', source: 'p' }, /from a point/],
    ['no tolerance', { name: 'fitToTolerance', source: 'a', degree: 3, tolerance: 0 }, /tolerance/],
    [
      'a mirror without a line',
      {
        name: 'mirror',
        source: 'a',
        axis: [
          [1, 1],
          [1, 1],
        ],
      },
      /distinct/,
    ],
    ['nothing', { name: 'reverse', source: 'nowhere' }, /not in the figure/],
  ])('say why they can’t be computed: %s', (_, operation, reason) => {
    const preview = previewOperation(figure, operation);
    expect(preview.status).toBe('failed');
    if (preview.status === 'failed') expect(sentenceOf(preview.reason, coreSentences)).toMatch(reason);
    if (operation.name === 'reverse' && operation.source === 'nowhere') return;
    const item: FigureItem = { id: 'new', name: 'New', kind: 'built', operation };
    const { document } = applyFigureCommand(figure, { name: 'addItem', item, at: 0 });
    const evaluation = evaluateFigure(document);
    expect(evaluation.items.get('new')?.status).toBe('failed');
    expect(evaluation.items.get('a')?.status).toBe('curve');
  });

  it('shows counts before and after, and the continuity that is left', () => {
    const preview = previewOperation(figure, { name: 'insertKnot', source: 'a', parameter: 0.3, times: 3 });
    expect(preview).toMatchObject({
      before: { degree: 3, spans: 4, points: 7, knots: 11, continuity: 2, closedness: 'open' },
      after: { degree: 3, spans: 5, points: 10, knots: 14, continuity: 0 },
    });
  });
});

describe('what is taken hold of on linked curves', () => {
  const linked = (operation: Operation): FigureDocument => ({
    ...figure,
    items: [...figure.items, { id: 'new', name: 'New', kind: 'built', operation }],
  });

  it('is found for every operation that has any, and the curve follows the hand', () => {
    const found = cases.filter(([operation]) => 'handles' in operations[operation.name]);
    expect(found.length).toBeGreaterThan(3);
    for (const [operation] of found) {
      const document = linked(operation);
      const evaluation = evaluateFigure(document);
      const handles = handlesOfItem(document.items.at(-1)!, evaluation);
      expect(handles.length).toBeGreaterThan(0);
      for (const { key, at, from } of handles) {
        const toward = from ?? [40, 0];
        const to = at.map((value, axis) => value + 0.2 * (toward[axis]! - value));
        const command = moveHandleOf(document, evaluation, 'new', key, to);
        const { document: after, inverse } = applyFigureCommand(document, command);
        const [moved] = handlesOfItem(after.items.at(-1)!, evaluateFigure(after)).filter(
          (handle) => handle.key === key,
        );
        expect(Math.hypot(...moved!.at.map((value, axis) => value - to[axis]!))).toBeLessThan(0.5);
        expect(applyFigureCommand(after, inverse).document).toEqual(document);
      }
    }
  });

  it('is nothing on what could not be computed', () => {
    const document = linked({
      name: 'roundCorner',
      source: 'a',
      ...rounding,
      rounding: 'byRadius',
    });
    expect(handlesOfItem(document.items.at(-1)!, evaluateFigure(document))).toEqual([]);
  });
});

const shapes: readonly Shape[] = [
  {
    kind: 'through',
    points: [
      [0, 0],
      [5, 9],
      [20, 3],
    ],
    degree: 3,
    parametrisation: 'chord',
    closed: false,
  },
  {
    kind: 'through',
    points: [
      [0, 0],
      [5, 9],
      [20, 3],
    ],
    degree: 3,
    parametrisation: 'chord',
    closed: true,
  },
  { kind: 'arcThrough', start: [0, 0], through: [5, 5], end: [10, 0] },
  { kind: 'arcRadius', start: [0, 0], end: [10, 0], radius: 7, side: 'left', large: false },
  { kind: 'arcBulge', start: [0, 0], end: [10, 0], bulge: 0.4 },
  { kind: 'circle', centre: [5, 5], radius: 3, layout: 'quadratic7' },
  { kind: 'circle', centre: [5, 5], radius: 3, layout: { approximation: 'periodic', degree: 3, count: 8 } },
  { kind: 'circle', centre: [5, 5], radius: 3, layout: { approximation: 'cubics', pieces: 4 } },
  { kind: 'ellipse', centre: [5, 5], axisX: [4, 0], axisY: [0, 2], layout: 'cubic7' },
  { kind: 'rectangle', corner: [0, 0], opposite: [8, 5] },
  { kind: 'polygon', centre: [0, 0], corner: [4, 0], sides: 6 },
  { kind: 'conic', start: [0, 0], end: [10, 0], held: 'shoulder', place: [5, 4], rho: 0.4 },
  { kind: 'conic', start: [0, 0], end: [10, 0], held: 'tangentIntersection', place: [5, 9], rho: 0.7 },
  {
    kind: 'chain',
    chain: {
      closed: true,
      nodes: [
        { point: [0, 0], before: [-1, -1], after: [1, 1], kind: 'equal' },
        { point: [5, 5], before: [4, 6], after: [6, 4], kind: 'aligned' },
      ],
    },
  },
  {
    kind: 'stroke',
    points: Array.from({ length: 200 }, (_, k) => [k, 20 * Math.sin(k / 30)]),
    tolerance: 0.5,
    degree: 3,
  },
];

describe('shapes', () => {
  it.each(shapes.map((shape) => [shape.kind, shape] as const))('%s comes to a whole curve', (_, shape) => {
    const item: FigureItem = { id: 'new', name: 'New', kind: 'shape', shape };
    const { document } = applyFigureCommand(figure, { name: 'addItem', item, at: 0 });
    const found = curveOf(evaluateFigure(document), 'new')!;
    validateCurve(found);
    expect(pointAt(found, 0.5).every(Number.isFinite)).toBe(true);
    const setDegree = (): unknown =>
      applyFigureCommand(document, { name: 'setDegree', item: 'new', degree: 2 });
    if ('degree' in shape) expect(setDegree).not.toThrow();
    else expect(setDegree).toThrow(CommandError);
  });

  it.each(shapes.map((shape) => [shape.kind, shape] as const))(
    '%s follows each of its handles',
    (_, shape) => {
      for (const { key, at } of handlesOfShape(shape)) {
        const to = [at[0]! + 1.5, at[1]! - 0.75];
        const moved = moveShapeHandle(shape, key, to);
        const now = handlesOfShape(moved).find((handle) => handle.key === key)!;
        // A circle's rim is taken at its right; the others go where they are put.
        if (!(shape.kind === 'circle' && key === 'rim'))
          now.at.forEach((value, axis) => expect(value).toBeCloseTo(to[axis]!, 12));
        validateCurve(curveOfShape(moved));
      }
    },
  );

  it('that come to nothing carry their reason', () => {
    const flat: Shape[] = [
      { kind: 'arcThrough', start: [0, 0], through: [5, 0], end: [10, 0] },
      { kind: 'rectangle', corner: [0, 0], opposite: [0, 5] },
      { kind: 'polygon', centre: [0, 0], corner: [0, 0], sides: 6 },
      { kind: 'polygon', centre: [0, 0], corner: [1, 0], sides: 2 },
      { kind: 'stroke', points: [[0, 0]], tolerance: 1, degree: 3 },
      { kind: 'circle', centre: [0, 0], radius: 0, layout: 'cubic7' },
    ];
    for (const shape of flat) {
      const item: FigureItem = { id: 'new', name: 'New', kind: 'shape', shape };
      const { document } = applyFigureCommand(figure, { name: 'addItem', item, at: 0 });
      expect(evaluateFigure(document).items.get('new')?.status, shape.kind).toBe('failed');
    }
    const huge: Shape = {
      kind: 'stroke',
      points: Array.from({ length: 20_001 }, () => [0, 0]),
      tolerance: 1,
      degree: 3,
    };
    expect(() =>
      applyFigureCommand(figure, {
        name: 'addItem',
        item: { id: 'h', name: 'H', kind: 'shape', shape: huge },
        at: 0,
      }),
    ).toThrow(/20000/);
  });
});
