import {
  curveOf,
  gripsOfItem,
  itemDescription,
  moveGrips,
  sourcesOf,
  translation,
  withIds,
  applyFigureCommand,
  emptyFigure,
  type BuiltItem,
  type FigureCommand,
  type FigureDocument,
  type FigureItem,
  type SingleFigureCommand,
} from '@bogen/core/figure';
import { csv, FormatError, json, jsonVersion, readerOf, svg, type FormatMember } from '@bogen/core/format';
import { told } from '@bogen/core/lesson';
import { freshId } from '../../figure/scene/freshId.js';
import type { FigureScene } from '../../figure/scene/scene.js';

type AddItem = Extract<SingleFigureCommand, { readonly name: 'addItem' }>;

const storageKey = 'bogen:copied-items';

/** The most signs of a text that is pasted; more come in as a file, beside the page. */
const mostPasted = 400_000;

/** The items that Copy means: those with a selected point, or else the curve on the rail. */
export function itemsToCopy({ selected, document }: FigureScene): FigureItem[] {
  const ids = new Set(selected.grips.map(({ item }) => item));
  if (ids.size === 0 && document.rail.item !== null) ids.add(document.rail.item);
  return document.items.filter(({ id }) => ids.has(id));
}

/**
 * Copies items, kept on this device for every sheet and lesson. What is built from something that is not
 * copied along stands alone as the curve that it is now.
 * @returns the text that was kept
 */
export function copyItems(scene: FigureScene, items: readonly FigureItem[]): string {
  const ids = new Set(items.map(({ id }) => id));
  const whole = items
    .map((item) => withLocksAmong(item, ids))
    .flatMap((item): FigureItem[] => {
      if (sourcesOf(item).every((source) => ids.has(source))) return [item];
      const curve = curveOf(scene.evaluation, item.id);
      if (!curve) return [];
      const { kind: _, operation: __, ...attributes } = item as BuiltItem;
      return [{ ...attributes, kind: 'curve', curve }];
    });
  const text = JSON.stringify({ format: 'bogen-figure-items', version: jsonVersion, items: whole });
  localStorage.setItem(storageKey, text);
  return text;
}

/** An item with only those locked joints whose other curve is among the given ones. */
function withLocksAmong(item: FigureItem, ids: ReadonlySet<string>): FigureItem {
  if (!item.lockedJoints) return item;
  const { lockedJoints, ...others } = item;
  const kept = lockedJoints.filter(({ to }) => ids.has(to));
  return kept.length > 0 ? { ...others, lockedJoints: kept } : others;
}

/**
 * The items in a text of any program: JSON of Bogen, an SVG, or a plain list of coordinates.
 * @throws FormatError where it begins like one of them and is none
 */
export function readItems(text: string): readonly FigureItem[] | undefined {
  const format = textFormat(text);
  if (!format) return undefined;
  if (text.length > mostPasted) throw new FormatError(told('pasteTooLong', { most: mostPasted }));
  return readerOf(format)(text).items;
}

function textFormat(text: string): FormatMember | undefined {
  if (/^\s*\{/.test(text)) return json;
  if (/^\s*<(?:\?xml|!DOCTYPE svg|svg|!--)/.test(text)) return svg;
  // Two numbers or three in each of several rows.
  return /^\s*[-+\d.][-+\d.eE]*[ \t,;]+[-+\d.][^\n]*\r?\n/.test(`${text}\n`) ? csv : undefined;
}

/** The copied items as a drawing, for programs that know nothing else. */
export function drawingOf({ document, evaluation }: FigureScene, items: readonly FigureItem[]): string {
  return svg.write({ document, evaluation, only: items.map(({ id }) => id) }, svg.first).text;
}

/** What was copied last on this device, in whichever sheet or window. */
export function copiedItems(): readonly FigureItem[] | undefined {
  try {
    return readItems(localStorage.getItem(storageKey) ?? '');
  } catch (error) {
    // What an earlier version kept may not be read any more.
    if (error instanceof FormatError) return undefined;
    throw error;
  }
}

/** Items moved aside, as far as they have places of their own. */
function aside(items: readonly FigureItem[], step: number): readonly FigureItem[] {
  const figure: FigureDocument = { ...emptyFigure(), items };
  const command = moveGrips(figure, items.flatMap(gripsOfItem), translation(step, -step));
  return command ? applyFigureCommand(figure, command).document.items : items;
}

/**
 * The command that puts items into a figure under new ids: where they were, or a grid step aside where
 * they are pasted into the figure that they come from.
 */
export function pasteCommand(document: FigureDocument, items: readonly FigureItem[]): FigureCommand {
  const known = new Set(document.items.map(({ id }) => id));
  const isHere = items.some(({ id }) => known.has(id));
  const placed = isHere ? aside(items, document.view.grid) : items;
  const taken = new Set<string>();
  const ids = new Map(
    placed.map(({ id }) => {
      const next = freshId(document, taken);
      taken.add(next);
      return [id, next];
    }),
  );
  const names = new Set(document.items.map(({ name }) => name));
  /** For each name from which number on it may be free. */
  const numbers = new Map<string, number>();
  const commands = placed.map((item, index): AddItem => {
    let { name } = item;
    let number = numbers.get(name) ?? 2;
    for (; names.has(name); number++) name = `${item.name} ${number}`.slice(-200);
    names.add(name);
    numbers.set(item.name, number);
    return {
      name: 'addItem',
      item: withIds(itemDescription, { ...item, name }, ids),
      at: document.items.length + index,
    };
  });
  // Sources first, so that each item finds what it is built from.
  const depth = depthsOf(commands.map(({ item }) => item));
  commands.sort((a, b) => depth(a.item.id) - depth(b.item.id));
  const [first] = placed;
  const onRail = first && first.kind !== 'point' && first.kind !== 'picture' ? ids.get(first.id)! : null;
  const rail: SingleFigureCommand[] = onRail
    ? [{ name: 'setRail', rail: { ...document.rail, item: onRail } }]
    : [];
  return { name: 'batch', commands: [...commands, ...rail] };
}

/** How many steps an item is away from items that are built from none of these, by its id. */
function depthsOf(items: readonly FigureItem[]): (id: string) => number {
  const byId = new Map(items.map((item) => [item.id, item]));
  const known = new Map<string, number>();
  const depth = (id: string): number => {
    const item = byId.get(id);
    const found =
      known.get(id) ??
      (item
        ? Math.max(0, ...sourcesOf(item).map((source) => (byId.has(source) ? 1 + depth(source) : 0)))
        : 0);
    known.set(id, found);
    return found;
  };
  return depth;
}
