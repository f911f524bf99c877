import { applyFigureCommand } from './applyCommand.js';
import type { FigureCommand, SingleFigureCommand } from '../command/commands.js';
import { itemOf, looseOf, type FigureDocument } from '../document/document.js';
import type { Shown } from '../document/shown.js';
import type { Looks } from '../document/looks.js';
import { sourcesOf, type FigureItem } from '../document/item.js';
import { nothingLoose } from '../document/loose.js';
import { isSameValue } from '../../describe/sameValue.js';

/**
 * The commands that lead from one state of a figure to another, whatever the way was: items come, are others and go,
 * then their order, what is loose and shown, the rail and the view.
 */
export function differenceOf(from: FigureDocument, to: FigureDocument): readonly FigureCommand[] {
  const commands: SingleFigureCommand[] = [];
  let now = from;
  const give = (command: SingleFigureCommand): void => {
    commands.push(command);
    now = applyFigureCommand(now, command).document;
  };

  const changed = to.items.filter(
    ({ id }) => itemOf(from, id) && !isSameValue(itemOf(from, id), itemOf(to, id)),
  );
  // What is loose of a curve is said again once the curve is what it will be.
  for (const { id } of changed) if (looseOf(now, id)) forgetLoose(now, id).forEach(give);
  for (const item of sourcesFirst(to.items))
    if (!itemOf(from, item.id)) give({ name: 'addItem', item, at: now.items.length });
  for (const item of changed) give({ name: 'replaceItem', item });
  for (const item of sourcesFirst(from.items).toReversed())
    if (!itemOf(to, item.id)) give({ name: 'removeItem', item: item.id });
  to.items.forEach(({ id }, at) => {
    if (now.items[at]!.id !== id) give({ name: 'orderItem', item: id, at });
  });
  for (const { id } of to.items) {
    const wanted = looseOf(to, id);
    if (isSameValue(looseOf(now, id), wanted)) continue;
    if (!wanted) forgetLoose(now, id).forEach(give);
    else
      for (const of of ['controlPoints', 'editPoints'] as const)
        give({ name: 'setLoose', item: id, of, indices: wanted[of] });
  }
  if (!isSameValue(now.shown, to.shown)) {
    const clear = keysGone(now.shown, to.shown) as (keyof Shown)[];
    give({ name: 'setShown', shown: to.shown, ...(clear.length > 0 ? { clear: clear as never } : {}) });
  }
  if (!isSameValue(now.looks ?? {}, to.looks ?? {})) {
    const clear = keysGone(now.looks ?? {}, to.looks ?? {}) as (keyof Looks)[];
    give({ name: 'setLooks', looks: to.looks ?? {}, ...(clear.length > 0 ? { clear } : {}) });
  }
  if (!isSameValue(now.readersMay ?? [], to.readersMay ?? []))
    give({ name: 'setReadersMay', freedoms: to.readersMay ?? [] });
  if (!isSameValue(now.uses ?? {}, to.uses ?? {})) give({ name: 'setUses', uses: to.uses ?? {} });
  if (!isSameValue(now.rail, to.rail)) give({ name: 'setRail', rail: to.rail });
  if (!isSameValue(now.view, to.view)) give({ name: 'setView', view: to.view });
  return commands;
}

const keysGone = (before: object, after: object): string[] =>
  Object.keys(before).filter((key) => !Object.hasOwn(after, key));

/** The commands after which nothing is said any more of what is loose of an item. */
function forgetLoose(document: FigureDocument, id: string): SingleFigureCommand[] {
  const loose = looseOf(document, id) ?? nothingLoose;
  return [
    ...(loose.controlPoints.length > 0
      ? [{ name: 'setLoose', item: id, of: 'controlPoints', indices: [] } as const]
      : []),
    { name: 'setLoose', item: id, of: 'editPoints', indices: [], forget: true },
  ];
}

/** Items with everything that one is built from before it. */
function sourcesFirst(items: readonly FigureItem[]): FigureItem[] {
  const sorted = new Set<FigureItem>();
  const visit = (item: FigureItem, depth: number): void => {
    if (sorted.has(item) || depth > items.length) return;
    for (const id of sourcesOf(item)) {
      const source = items.find((other) => other.id === id);
      if (source) visit(source, depth + 1);
    }
    sorted.add(item);
  };
  items.forEach((item) => visit(item, 0));
  return [...sorted];
}
