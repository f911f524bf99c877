import { describe, expect, it } from 'vitest';
import type { Curve } from '../../src/curve/curve.js';
import { clampedUniformKnots } from '../../src/curve/knotVector.js';
import { emptyFigure, type FigureDocument } from '../../src/figure/document/document.js';
import { evaluateFigure } from '../../src/figure/evaluation/evaluate.js';
import type { Measured, MeasuredValue } from '../../src/figure/measure/define.js';
import {
  measured,
  measures,
  offeredMeasures,
  type Measure,
  type MeasureKind,
} from '../../src/figure/measure/measures.js';

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
const document: FigureDocument = {
  ...emptyFigure(),
  items: [
    { id: 'a', name: 'A', kind: 'curve', curve: { ...curve, weights: [1, 2, 1, 1, 1, 1] } },
    {
      id: 'b',
      name: 'B',
      kind: 'curve',
      curve: { ...curve, points: curve.points.map(([x, y]) => [x!, y! + 3]) },
    },
    { id: 'p', name: 'P', kind: 'point', at: [5, 7] },
    {
      id: 'round',
      name: 'Round',
      kind: 'shape',
      shape: { kind: 'circle', centre: [3, 4], radius: 5, layout: 'quadratic9' },
    },
    {
      id: 'line',
      name: 'L',
      kind: 'curve',
      curve: {
        degree: 1,
        knots: [0, 0, 1, 1],
        points: [
          [0, 0],
          [4, 0],
        ],
      },
    },
  ],
};
const of: Measured = { document, evaluation: evaluateFigure(document), cursor: 0.5 };

/** What each kind comes to, and what it can't measure; a new kind does not compile without its own. */
const cases: {
  readonly [Kind in MeasureKind]: readonly [Measure, MeasuredValue, Measure];
} = {
  fact: [
    { of: 'fact', item: 'a', fact: 'spans' },
    { kind: 'whole', value: 3 },
    { of: 'fact', item: 'a', fact: 'continuity' },
  ],
  knot: [
    { of: 'knot', item: 'a', index: 4 },
    { kind: 'number', value: 1 / 3, unit: 'none' },
    { of: 'knot', item: 'a', index: 99 },
  ],
  weight: [
    { of: 'weight', item: 'a', index: 1 },
    { kind: 'number', value: 2, unit: 'none' },
    { of: 'weight', item: 'a', index: 6 },
  ],
  coordinate: [
    { of: 'coordinate', item: 'p', point: 'referencePoint', index: 0, axis: 1 },
    { kind: 'number', value: 7, unit: 'length' },
    { of: 'coordinate', item: 'a', point: 'controlPoints', index: 77, axis: 1 },
  ],
  continuity: [
    { of: 'continuity', item: 'b', index: 4 },
    { kind: 'order', value: 2 },
    { of: 'continuity', item: 'b', index: 0 },
  ],
  smoothness: [
    { of: 'smoothness', item: 'b' },
    { kind: 'order', value: 2 },
    { of: 'smoothness', item: 'p' },
  ],
  deviation: [
    { of: 'deviation', item: 'line', from: 'line' },
    { kind: 'number', value: 0, unit: 'length' },
    { of: 'deviation', item: 'line', from: 'p' },
  ],
  roundness: [
    { of: 'roundness', item: 'round' },
    { kind: 'number', value: expect.closeTo(0, 12) as number, unit: 'length' },
    { of: 'roundness', item: 'line' },
  ],
  curvature: [
    { of: 'curvature', item: 'line' },
    { kind: 'number', value: 0, unit: 'curvature' },
    { of: 'curvature', item: 'p' },
  ],
  curvePoint: [
    { of: 'curvePoint', item: 'line', axis: 0 },
    { kind: 'number', value: 2, unit: 'length' },
    { of: 'curvePoint', item: 'p', axis: 0 },
  ],
  basis: [
    { of: 'basis', item: 'line', index: 1 },
    { kind: 'number', value: 0.5, unit: 'none' },
    { of: 'basis', item: 'line', index: 2 },
  ],
  cursor: [
    { of: 'cursor', item: 'a' },
    { kind: 'number', value: 0.5, unit: 'none' },
    { of: 'weight', item: 'gone', index: 0 },
  ],
};

describe('every measure', () => {
  it.each(Object.keys(measures) as MeasureKind[])('comes to a value, or to none: %s', (kind) => {
    const [measure, value, none] = cases[kind];
    expect(measured(measure, of)).toEqual(value);
    expect(measured(none, of)).toBeUndefined();
  });

  it('is offered where it comes to something, each once', () => {
    const offers = document.items.flatMap((item) => offeredMeasures(item, of));
    for (const measure of offers) expect(measured(measure, of)).toBeDefined();
    const kinds = new Set(offers.map(({ of: kind }) => kind));
    expect([...kinds].sort()).toEqual(Object.keys(measures).sort());
    expect(new Set(offers.map((measure) => JSON.stringify(measure))).size).toBe(offers.length);
  });

  it('comes to nothing at a parameter where the curve is not', () => {
    expect(measured({ of: 'curvature', item: 'a' }, { ...of, cursor: 7 })).toBeUndefined();
  });
});
