import { itemOf, type FigureDocument, type PointKind } from '@bogen/core/figure';

/** The name of a point as it is spoken of: P₃, E₃. */
export function letterOf(of: PointKind): string {
  return of === 'controlPoints' ? 'P' : 'E';
}

/** The name of an item, for labels. */
export function nameOf(document: FigureDocument, item: string): string {
  return itemOf(document, item)?.name ?? item;
}
