import { describe, expect, it } from 'vitest';
import { exactCircle } from '../../src/curve/circle.js';
import type { Curve } from '../../src/curve/curve.js';
import { elevateDegree } from '../../src/curve/elevateDegree.js';
import { pointAt } from '../../src/curve/evaluate.js';
import { insertKnot } from '../../src/curve/insertKnot.js';
import { clampedUniformKnots } from '../../src/curve/knotVector.js';
import { passageBetween } from '../../src/curve/passage.js';
import { mapDomain } from '../../src/curve/reparametrise.js';
import { validateCurve } from '../../src/curve/validate.js';
import { emptyFigure, type FigureDocument } from '../../src/figure/document/document.js';
import { figurePassage } from '../../src/figure/evaluation/passage.js';

const points = [
  [0, 0],
  [10, 20],
  [30, 25],
  [50, 5],
  [70, 15],
  [90, 0],
];
const curve: Curve = { degree: 3, knots: clampedUniformKnots(6, 3), points };
const times = [0, 0.25, 0.5, 0.9];
const parameters = Array.from({ length: 41 }, (_, index) => index / 40);
const distance = (a: readonly number[], b: readonly number[]): number =>
  Math.hypot(...a.map((value, axis) => value - b[axis]!));
const farthest = (a: Curve, b: Curve): number =>
  Math.max(...parameters.map((u) => distance(pointAt(a, u), pointAt(b, u))));

describe('the passage from one curve to another', () => {
  it('of as many points goes point by point, and ends exactly', () => {
    const moved = { ...curve, points: points.with(2, [34, 45]) };
    const way = passageBetween(curve, moved);
    expect(way(0.5).curve.points[2]).toEqual([32, 35]);
    expect(way(1).curve).toEqual(moved);
  });

  const raised = elevateDegree(insertKnot(curve, 0.5));
  it.each<[string, Curve, Curve]>([
    ['a knot comes in', curve, insertKnot(curve, 0.4)],
    ['a knot goes', insertKnot(curve, 0.4), curve],
    ['the degree rises', curve, elevateDegree(curve)],
    ['degree and knots', curve, raised],
    ['and back', raised, curve],
    ['on another domain', mapDomain(curve, 2, 7), insertKnot(curve, 0.4)],
  ])('leaves the curve where it is while %s', (_, from, to) => {
    const way = passageBetween(from, to);
    for (const time of times) {
      const { curve: seen } = way(time);
      validateCurve(seen);
      expect(farthest(seen, curve)).toBeLessThan(1e-9);
    }
  });

  it('cuts the corners of the polygon from the old one to the new', () => {
    const inserted = insertKnot(curve, 0.4);
    const way = passageBetween(curve, inserted);
    const onPolygon = (polygon: readonly (readonly number[])[], corner: readonly number[]): boolean =>
      polygon.slice(1).some((end, index) => {
        const start = polygon[index]!;
        return Math.abs(distance(start, corner) + distance(corner, end) - distance(start, end)) < 1e-9;
      });
    for (const corner of points) expect(onPolygon(way(0).polygon, corner)).toBe(true);
    for (const corner of way(0).polygon) expect(onPolygon(points, corner)).toBe(true);
    for (const corner of way(1).polygon) expect(onPolygon(inserted.points, corner)).toBe(true);
  });

  it.each<[string, Curve, Curve]>([
    ['fewer points', curve, { degree: 2, knots: clampedUniformKnots(4, 2), points: points.slice(0, 4) }],
    ['a circle', curve, exactCircle({ centre: [0, 0], radius: 30, x: [1, 0], y: [0, 1] }, 'quadratic9')],
  ])('to something else is a whole curve all the way: %s', (_, from, to) => {
    const way = passageBetween(from, to);
    for (const time of times) validateCurve(way(time).curve);
    expect(way(1).curve.points).toEqual(to.points);
  });
});

describe('the passage of a figure', () => {
  const figure: FigureDocument = {
    ...emptyFigure(),
    items: [
      { id: 'a', name: 'A', kind: 'curve', curve },
      { id: 'b', name: 'B', kind: 'built', operation: { name: 'reverse', source: 'a' } },
      { id: 'p', name: 'P', kind: 'point', at: [0, 0] },
    ],
    rail: { item: 'a', tracks: ['knots'] },
  };
  const moved: FigureDocument = {
    ...figure,
    items: [
      { id: 'a', name: 'A', kind: 'curve', curve: { ...curve, points: points.with(0, [-8, 0]) } },
      figure.items[1]!,
      { id: 'p', name: 'P', kind: 'point', at: [10, 20] },
    ],
    view: { ...figure.view, left: -40 },
  };

  it('moves what is in both, what is built with it, and the view', () => {
    const { document, polygons } = figurePassage(figure, moved)!(0.5);
    expect(document.items[0]).toMatchObject({ curve: { points: [[-4, 0], ...points.slice(1)] } });
    expect(document.items[1]).toMatchObject({ kind: 'curve' });
    expect(document.items[2]).toMatchObject({ at: [5, 10] });
    expect(document.view.left).toBe(-30);
    expect(polygons.size).toBe(2);
  });

  it('is none where nothing moves', () => {
    expect(figurePassage(figure, { ...figure, shown: { ...figure.shown, comb: true } })).toBeUndefined();
  });
});
