import { isCurveItem, itemOf, type FigureDocument, type PointKind } from '@bogen/core/figure';

/** The letters of the control points of a figure's curves, in the order of the curves, and those of their edit points. */
const letters: Readonly<Record<PointKind, string>> = {
  controlPoints: 'PQRSTUVW',
  editPoints: 'EFGHJKLM',
};
/** A letter that comes again has a prime. */
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

/** The letter of a curve's points: P and E for the figure's first curve, others for its others, so that names tell them apart. */
export function letterOf(document: FigureDocument, item: string, of: PointKind): string {
  const order = orderOf(document).get(item) ?? 0;
  const own = letters[of];
  return own[order % own.length]! + prime.repeat(Math.floor(order / own.length));
}

/** The name of a point as it is spoken of: P3, E3, Q0. */
export function pointName(document: FigureDocument, item: string, of: PointKind, index: number): string {
  return `${letterOf(document, item, of)}${index}`;
}

/** The name of an item, for labels. */
export function nameOf(document: FigureDocument, item: string): string {
  return itemOf(document, item)?.name ?? item;
}
