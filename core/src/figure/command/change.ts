import { told } from '../../told/told.js';
import type { Curve } from '../../curve/curve.js';
import { withSettledKnots } from '../../curve/settleKnots.js';
import { CommandError } from '../../history/history.js';
import { itemOf, looseOf, type FigureDocument, type LoosePoints } from '../document/document.js';
import type { CurveItem, FigureItem } from '../document/item.js';
import { refuseCycles, refuseLostSources, validateItem } from '../document/validate.js';

/** What commands share: finding an item, and putting a changed one in its place. */

/** @throws CommandError where there is none */
export function anyItem(document: FigureDocument, id: string): FigureItem {
  const item = itemOf(document, id);
  if (!item) throw new CommandError(told('noItem', { id }));
  return item;
}

/** @throws CommandError where the item is no given curve with points of its own */
export function givenCurve(document: FigureDocument, id: string): CurveItem {
  const item = anyItem(document, id);
  if (item.kind === 'built') throw new CommandError(told('builtHasNoPoints', { name: item.name }));
  if (item.kind !== 'curve') throw new CommandError(told('notACurve', { name: item.name }));
  return item;
}

/** An item with its given curve's knots equal where they can't be told apart: an edit that lands there makes them equal. */
export function settledItem<Item extends FigureItem>(item: Item): Item {
  return item.kind === 'curve' ? { ...item, curve: withSettledKnots(item.curve) } : item;
}

/** The document with an item changed; only this item is checked, and what a change of it can break. */
export function withItem(document: FigureDocument, given: FigureItem): FigureDocument {
  const changed = settledItem(given);
  validateItem(changed);
  const result = {
    ...document,
    items: document.items.map((item) => (item.id === changed.id ? changed : item)),
  };
  if (changed.kind === 'built') {
    refuseLostSources(result, changed);
    refuseCycles(result);
  }
  return result;
}

export function withCurve(document: FigureDocument, item: CurveItem, curve: Curve): FigureDocument {
  return withItem(document, { ...item, curve });
}

/** The document with the loose points of an item as given; none where `undefined`. */
export function withLoose(
  document: FigureDocument,
  item: string,
  loose: LoosePoints | undefined,
): FigureDocument {
  if (looseOf(document, item) === loose) return document;
  const { [item]: _, ...others } = document.loose;
  return { ...document, loose: loose ? { ...others, [item]: loose } : others };
}
