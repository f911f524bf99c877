import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Curve } from '../../src/curve/curve.js';
import type { FigureItem } from '../../src/figure/document/item.js';
import type { FactValue } from '../../src/figure/fact/define.js';
import { factNames, facts } from '../../src/figure/fact/facts.js';
import { curveOfShape, type Shape } from '../../src/figure/shape/shapes.js';
import { arbitraryCurve } from '../curve/arbitrary.js';
import { holds } from '../holds.js';

const signed: Curve = {
  degree: 2,
  knots: [0, 0, 0, 1, 1, 1],
  points: [
    [0, 0],
    [10, 10],
    [20, 0],
  ],
  signedWeights: true,
};

describe('every fact', () => {
  it.each(factNames)('%s of a random curve is a number or a word that can be told', (name) => {
    holds(
      fc.property(arbitraryCurve({ dimension: 2 }), (curve) => {
        const value = facts[name](curve, undefined) as FactValue | undefined;
        if (value?.kind === 'whole') expect(value.value).toSatisfy(Number.isInteger);
        if (value?.kind === 'number') expect(value.value).toBeGreaterThanOrEqual(0);
        if (value?.kind === 'list') expect(value.values.length).toBeGreaterThan(0);
        if (value?.kind === 'continuity') expect(value.degree).toBe(curve.degree);
      }),
      { numRuns: name === 'area' ? 10 : 40 },
    );
  });

  it.each(factNames)('%s of a curve with weights of any sign is told, or is none', (name) => {
    for (const weights of [
      [1, -2, 1],
      [1, -1, 1],
      [1, -0.5, 1],
      [1, 0, 1],
      [0, 1, 1],
      [-1, -1, -1],
    ]) {
      const value: FactValue | undefined = facts[name]({ ...signed, weights }, undefined);
      if (value?.kind === 'number') expect(value.value).toSatisfy(Number.isFinite);
      if (value?.kind === 'list') expect(value.values.every(Number.isFinite)).toBe(true);
    }
  });

  it('of a curve with a weight below zero says where its poles are, or that there are none', () => {
    const of = (weight: number) => {
      const curve = { ...signed, weights: [1, weight, 1] };
      return [facts.poles, facts.conic, facts.length].map((fact) => fact(curve, undefined));
    };
    const [poles, conic, length] = of(-2);
    expect(poles).toMatchObject({
      kind: 'list',
      values: [expect.closeTo(0.2113, 4), expect.closeTo(0.7887, 4)],
    });
    expect(conic).toEqual({ kind: 'word', word: 'hyperbola' });
    expect(length).toBeUndefined();
    expect(of(-1)).toEqual([{ kind: 'list', values: [0.5] }, { kind: 'word', word: 'parabola' }, undefined]);
    expect(of(-0.5)).toMatchObject([{ word: 'noPoles' }, { word: 'ellipse' }, { kind: 'number' }]);
    expect(of(0.5)[0]).toBeUndefined();
  });

  const told = (shape: Shape) => {
    const item: FigureItem = { id: 's', name: 'S', kind: 'shape', shape };
    const curve = curveOfShape(shape);
    return { closedness: facts.closedness(curve, item), area: facts.area(curve, item) };
  };

  it('of a circle that was drawn as a circle says that it is closed, and its area', () => {
    const { closedness, area } = told({ kind: 'circle', centre: [5, 5], radius: 3, layout: 'quadratic9' });
    expect(closedness).toEqual({ kind: 'word', word: 'closed' });
    expect((area as { value: number }).value).toBeCloseTo(9 * Math.PI, 9);
  });

  it('of several pieces on one conic says which, and of pieces on several that they are', () => {
    const word = (shape: Shape): unknown => {
      const fact = facts.conic(curveOfShape(shape), undefined) as FactValue | undefined;
      return fact?.kind === 'word' ? fact.word : undefined;
    };
    expect(word({ kind: 'circle', centre: [50, 20], radius: 30, layout: 'quadratic9' })).toBe('circle');
    expect(word({ kind: 'circle', centre: [50, 20], radius: 30, layout: 'quadratic7' })).toBe('circle');
    expect(
      word({ kind: 'ellipse', centre: [5, 5], axisX: [40, 10], axisY: [-3, 20], layout: 'quadratic9' }),
    ).toBe('ellipse');
    const arcs = curveOfShape({ kind: 'circle', centre: [50, 20], radius: 30, layout: 'quadratic9' });
    // Two quarters of one circle and two of another, which meets the first with a common tangent.
    const bent = { ...arcs, points: arcs.points.map(([x, y], k) => (k > 4 ? [x!, 2 * y! - 20] : [x!, y!])) };
    expect(facts.conic(bent, undefined)).toEqual({ kind: 'word', word: 'several' });
    const parabolas = { ...arcs, weights: arcs.points.map(() => 1) };
    expect(facts.conic(parabolas, undefined)).toEqual({ kind: 'word', word: 'parabolas' });
    const far = {
      ...arcs,
      points: arcs.points.map(([x, y], k) => (k > 4 ? [3 * x! - 40, 3 * y! - 40] : [x!, y!])),
    };
    expect(facts.conic(far, undefined)).toEqual({ kind: 'word', word: 'circles' });
  });

  it('of an open curve tells no area', () => {
    expect(told({ kind: 'arcThrough', start: [0, 0], through: [5, 5], end: [10, 0] })).toEqual({
      closedness: { kind: 'word', word: 'open' },
      area: undefined,
    });
  });
});
