import type { Curve } from '@bogen/core/curve';
import {
  curveOf,
  emptyFigure,
  evaluateFigure,
  type FigureCommand,
  type FigureItem,
  type Operation,
} from '@bogen/core/figure';

/** What an operation makes of items that it has for its sources. */
export function resultOf(items: readonly FigureItem[], operation: Operation): Curve {
  const built: FigureItem = { id: 'result', name: 'Result', kind: 'built', operation };
  return curveOf(evaluateFigure({ ...emptyFigure(), items: [...items, built] }), 'result')!;
}

/** An operation in the place of an item, one of its sources. */
export const operated = (
  items: readonly FigureItem[],
  item: string,
  operation: Operation,
): FigureCommand & { readonly curve: Curve } => ({
  name: 'operate',
  item,
  operation,
  curve: resultOf(items, operation),
});
