import { interiorKnots, spansOf, unlessPole } from '@bogen/core/curve';
import {
  curveFormulas,
  curveOf,
  isCurveItem,
  offeredControls,
  offeredMeasures,
  parameterCalculationNames,
  parameterCalculations,
  type CalculationLine,
  type Control,
  type FigureItem,
  type Measure,
  type Target,
} from '@bogen/core/figure';
import type { FigureScene } from '../../figure/scene/scene.js';

/** The items of a figure with that of the rail first. */
function itemsByNearness({ document }: FigureScene): FigureItem[] {
  return document.items
    .filter((item) => !item.hidden && item.kind !== 'picture')
    .sort((a, b) => Number(b.id === document.rail.item) - Number(a.id === document.rail.item));
}

/** What is pointed at or selected in the figure just now. */
function pointedAt(scene: FigureScene): { readonly item: string; readonly index: number } | undefined {
  const { picked } = scene.pointed;
  if (picked) return { item: picked.item, index: picked.index };
  for (const grip of scene.selected.grips)
    if (grip.of === 'controlPoints' || grip.of === 'editPoints')
      return { item: grip.item, index: grip.index };
  return undefined;
}

/** Everything in the figure that can stand in the text as a number, with what is pointed at first. */
export function measureOffers(scene: FigureScene): Measure[] {
  const { document, evaluation, cursor } = scene;
  const pointed = pointedAt(scene);
  const isPointed = (measure: Measure): boolean =>
    pointed !== undefined &&
    measure.item === pointed.item &&
    'index' in measure &&
    measure.of !== 'knot' &&
    measure.of !== 'continuity' &&
    measure.index === pointed.index;
  return itemsByNearness(scene)
    .flatMap((item) => offeredMeasures(item, { document, evaluation, cursor }))
    .sort((a, b) => Number(isPointed(b)) - Number(isPointed(a)));
}

/** A formula of a curve, as it would stand in the text. */
export interface FormulaOffer {
  readonly item: string;
  readonly line: CalculationLine;
}

/** The formulas of the figure's curves, that of the rail first, with those that are calculated at its cursor. */
export function formulaOffers(scene: FigureScene): FormulaOffer[] {
  const { document, evaluation, cursor } = scene;
  return itemsByNearness(scene).flatMap(({ id: item }) => {
    const curve = curveOf(evaluation, item);
    if (!curve) return [];
    const atCursor =
      item === document.rail.item
        ? parameterCalculationNames.flatMap(
            (name) => unlessPole(() => parameterCalculations[name](curve, cursor)) ?? [],
          )
        : [];
    return [...curveFormulas(curve), ...atCursor].map((line) => ({ item, line }));
  });
}

/** Everything in the figure that can be set from the text. */
export function controlOffers(scene: FigureScene): Control[] {
  const { document, evaluation, cursor } = scene;
  return itemsByNearness(scene).flatMap((item) => offeredControls(item, { document, evaluation, cursor }));
}

/** Everything in the figure that words can point at, with what is pointed at first. */
export function targetOffers(scene: FigureScene): Target[] {
  const pointed = pointedAt(scene);
  const all = itemsByNearness(scene).flatMap((item): Target[] => {
    const whole: Target = { of: 'item', item: item.id };
    const curve = isCurveItem(item) ? curveOf(scene.evaluation, item.id) : undefined;
    if (!curve) return [whole];
    return [
      whole,
      ...curve.points.map((_, index): Target => ({ of: 'controlPoint', item: item.id, index })),
      ...interiorKnots(curve.knots, curve.degree).map(({ value }): Target => ({
        of: 'knot',
        item: item.id,
        value,
      })),
      ...spansOf(curve.knots, curve.degree).map((_, index): Target => ({ of: 'span', item: item.id, index })),
      ...curve.points.map((_, index): Target => ({ of: 'editPoint', item: item.id, index })),
    ];
  });
  const isPointed = (target: Target): boolean =>
    pointed !== undefined &&
    target.item === pointed.item &&
    (target.of === 'controlPoint' || target.of === 'editPoint') &&
    target.index === pointed.index;
  return all.sort((a, b) => Number(isPointed(b)) - Number(isPointed(a)));
}

/** What words mean, and one thing more; each counts once. */
export const withTarget = (targets: readonly Target[], more: Target): readonly Target[] =>
  targets.some((target) => JSON.stringify(target) === JSON.stringify(more)) ? targets : [...targets, more];
