import '@bogen/core/mathematics';
import type { Curve } from '@bogen/core/curve';
import {
  curveOf,
  emptyFigure,
  evaluateFigure,
  itemOf,
  type FigureCommand,
  type FigureItem,
  type Operation,
} from '@bogen/core/figure';
import type { DemoFile } from './files.js';

/** An item of a sheet as it is given. */
export function itemOn({ document }: DemoFile, sheet: string, item: string): FigureItem {
  const found = itemOf(document.sheets.find(({ id }) => id === sheet)!.figure, item);
  if (!found) throw new Error(`There is no ${item} on the sheet ${sheet}.`);
  return found;
}

/** The curve of an item of a sheet as it is given. */
export function curveOn({ document }: DemoFile, sheet: string, item: string): Curve {
  const curve = curveOf(evaluateFigure(document.sheets.find(({ id }) => id === sheet)!.figure), item);
  if (!curve) throw new Error(`There is no curve ${item} on the sheet ${sheet}.`);
  return curve;
}

/** A curve as an item of a figure. */
export const given = (id: string, curve: Curve): FigureItem => ({ id, name: id, kind: 'curve', curve });

/** An operation in the place of an item, one of its sources. */
export function operated(
  items: readonly FigureItem[],
  item: string,
  operation: Operation,
): FigureCommand & { readonly curve: Curve } {
  const built: FigureItem = { id: 'result', name: 'Result', kind: 'built', operation };
  const curve = curveOf(evaluateFigure({ ...emptyFigure(), items: [...items, built] }), 'result')!;
  return { name: 'operate', item, operation, curve };
}
