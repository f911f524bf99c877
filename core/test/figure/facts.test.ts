import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  curveOfShape,
  factNames,
  facts,
  type FactValue,
  type FigureItem,
  type Shape,
} from '../everything.js';
import { arbitraryCurve } from '../curve/arbitrary.js';

describe('every fact', () => {
  it.each(factNames)('%s of a random curve is a number or a word that can be told', (name) => {
    fc.assert(
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

  it('of an open curve tells no area', () => {
    expect(told({ kind: 'arcThrough', start: [0, 0], through: [5, 5], end: [10, 0] })).toEqual({
      closedness: { kind: 'word', word: 'open' },
      area: undefined,
    });
  });
});
