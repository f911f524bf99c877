import { pointLetterOf, type Notation } from '../../notation/notation.js';
import type { FigureDocument, PointKind } from './document.js';
import { isCurveItem } from './item.js';

/** The letters of the edit points of a figure's curves, in the order of the curves; one that comes again has a prime. */
const editLetters = 'EFGHJKLM';
const prime = '′';

const orders = new WeakMap<FigureDocument['items'], ReadonlyMap<string, number>>();

/** Where each curve stands among those of a figure; faint copies have no points to name. */
function orderOf({ items }: FigureDocument): ReadonlyMap<string, number> {
  let order = orders.get(items);
  if (!order) {
    const curves = items.filter((item) => isCurveItem(item) && !(item.kind === 'curve' && item.faint));
    order = new Map(curves.map(({ id }, index) => [id, index]));
    orders.set(items, order);
  }
  return order;
}

/** The index of a curve among those of its figure whose points have names. */
export const curveIndex = (document: FigureDocument, item: string): number =>
  orderOf(document).get(item) ?? 0;

/** The letter of a curve's points: others for each curve of a figure, so that names tell them apart. */
export function pointLetter(
  document: FigureDocument,
  item: string,
  of: PointKind,
  notation: Notation,
): string {
  const order = curveIndex(document, item);
  if (of === 'controlPoints') return pointLetterOf(notation, order);
  return editLetters[order % editLetters.length]! + prime.repeat(Math.floor(order / editLetters.length));
}
