import { interiorKnots } from '../../curve/knotVector.js';
import type { FigureDocument } from '../../figure/document/document.js';
import { curveOf, evaluateFigure } from '../../figure/evaluation/evaluate.js';
import type { Variation } from './variations.js';

/** Everything of a figure that can be different for each student, the items of the rail's curve first. */
export function offeredVariations(document: FigureDocument): readonly Variation[] {
  const evaluation = evaluateFigure(document);
  const by = Math.max(document.view.grid, 1e-6);
  return document.items
    .toSorted((a, b) => Number(b.id === document.rail.item) - Number(a.id === document.rail.item))
    .flatMap((item): Variation[] => {
      if (item.hidden || item.locked) return [];
      if (item.kind === 'point') return [{ of: 'referencePoint', item: item.id, by }];
      const curve = item.kind === 'curve' ? curveOf(evaluation, item.id) : undefined;
      if (!curve) return [];
      const knots = interiorKnots(curve.knots, curve.degree);
      const span = (curve.knots.at(-1)! - curve.knots[0]!) / (knots.length + 1);
      return [
        ...curve.points.map((_, index): Variation => ({
          of: 'point',
          item: item.id,
          point: 'controlPoints',
          index,
          by,
        })),
        ...knots.map(({ value }): Variation => ({
          of: 'knot',
          item: item.id,
          value,
          by: Number((span / 4).toPrecision(2)),
        })),
        ...(curve.weights ?? []).flatMap((weight, index): Variation[] =>
          weight > 0 ? [{ of: 'weight', item: item.id, index, least: weight / 2, most: weight * 2 }] : [],
        ),
      ];
    });
}
