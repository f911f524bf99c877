import { validateCurve, type Curve } from '@bogen/core/curve';
import { applyFigureCommand, type FigureDocument } from '@bogen/core/figure';
import { describe, expect, it } from 'vitest';
import { knotMarksOf, knotUnit } from '../src/rail/knotMarks.js';
import { FigureScene } from '../src/figure/scene/scene.js';
import { stillHost } from '../src/figure/scene/host.js';

const points = (count: number): number[][] => Array.from({ length: count }, (_, k) => [10 * k, 7 * (k % 3)]);

function sceneOf(curve: Curve, locked = false): FigureScene {
  const document: FigureDocument = {
    items: [{ id: 'c', name: 'C', kind: 'curve', curve, ...(locked ? { locked: true } : {}) }],
    loose: [],
    shown: [],
    view: { left: 0, right: 100, bottom: 0, top: 50, grid: 10 },
    rail: { item: 'c', tracks: ['knots'] },
  } as unknown as FigureDocument;
  return new FigureScene({ ...stillHost(document), may: () => true });
}

describe('the knots on the rail', () => {
  const curve: Curve = {
    degree: 2,
    knots: [0, 0, 0, 0.2, 0.2, 0.5, 0.5, 0.8, 1, 1, 1],
    points: points(8),
  };

  it('can go everywhere that their marks say, and what they are drawn to is allowed', () => {
    const scene = sceneOf(curve);
    const marks = knotMarksOf(scene, curve);
    expect(marks.map(({ multiplicity }) => multiplicity)).toEqual([3, 2, 2, 1, 3]);
    expect(marks.map(({ movable }) => movable)).toEqual([false, true, true, true, false]);
    for (const { value, movable, limits, neighbours } of marks) {
      if (!movable) continue;
      for (const to of [...limits, ...neighbours, (limits[0] + limits[1]) / 2]) {
        const { document } = applyFigureCommand(scene.document, {
          name: 'moveKnot',
          item: 'c',
          knot: value,
          to,
        });
        const [item] = document.items;
        if (item?.kind !== 'curve') throw new Error('The curve is gone.');
        expect(() => validateCurve(item.curve)).not.toThrow();
        expect(item.curve.knots).toContain(to);
      }
    }
  });

  it('become one only where the multiplicity stays within degree + 1', () => {
    const marks = knotMarksOf(sceneOf(curve), curve);
    expect(marks[1]!.neighbours).toEqual([]);
    expect(marks[2]!.neighbours).toEqual([0.8]);
    expect(marks[3]!.neighbours).toEqual([0.5]);
  });

  it('stay where the curve is locked, or repeats', () => {
    expect(knotMarksOf(sceneOf(curve, true), curve).some(({ movable }) => movable)).toBe(false);
    const periodic: Curve = { degree: 2, knots: [-2, -1, 0, 1, 2, 3, 4, 5, 6], points: [], periodic: true };
    const closed = { ...periodic, points: [...points(4), ...points(2)] };
    expect(knotMarksOf(sceneOf(closed), closed).some(({ movable }) => movable)).toBe(false);
  });

  it.each([
    [[0, 1], 0.001],
    [[0, 4], 0.001],
    [[-3, 27], 0.01],
    [[0, 0.02], 0.00001],
  ])('are rounded to a thousandth of the domain %s', ([start, end], unit) => {
    const knots = [start!, start!, end!, end!];
    expect(knotUnit({ degree: 1, knots, points: points(2) })).toBeCloseTo(unit, 12);
  });
});
