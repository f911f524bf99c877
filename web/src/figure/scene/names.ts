import { itemOf, pointLetter, type FigureDocument, type PointKind } from '@bogen/core/figure';
import { counted, notation } from '../../text/notation.js';

/** The letter of a curve's points, as the lesson writes it. */
export const letterOf = (document: FigureDocument, item: string, of: PointKind): string =>
  pointLetter(document, item, of, notation());

/** The name of a point as it is spoken of: P3, E3, Q0, counted as the lesson counts. */
export function pointName(document: FigureDocument, item: string, of: PointKind, index: number): string {
  return `${letterOf(document, item, of)}${counted(index)}`;
}

/** The name of an item, for labels. */
export function nameOf(document: FigureDocument, item: string): string {
  return itemOf(document, item)?.name ?? item;
}
