import type { FigureDocument } from './document.js';
import { isCurveItem, type FigureItem } from './item.js';
import { looksByDefault, type Looks } from './looks.js';
import { shownByDefault, type Shown } from './shown.js';

/** In a figure of more items than this, what stands beside a curve is shown of the curve on the rail alone. */
const mostMarked = 200;

/** Whether an item's points are marked, so that they can be taken hold of: not where there are too many to tell apart. */
export const isMarked = ({ items, rail }: FigureDocument, item: FigureItem): boolean =>
  items.length <= mostMarked || rail.item === item.id || !isCurveItem(item);

/** Whether something is shown of an item: as the item says, or else the figure, or else by default. */
export function isShown(document: FigureDocument, key: keyof Shown, item?: FigureItem): boolean {
  return (
    item?.shown?.[key] ??
    ((!item || isMarked(document, item)) && (document.shown[key] ?? shownByDefault[key]))
  );
}

/** The document's looks, whole. */
export function looksOf({ looks }: FigureDocument): Required<Looks> {
  return { ...looksByDefault, ...looks };
}
