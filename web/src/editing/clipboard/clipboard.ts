import './withoutMadeCode.js';
import { figureItemSchema } from '@bogen/contract';
import {
  curveOf,
  gripsOfItem,
  itemDescription,
  moveGrips,
  sourcesOf,
  translation,
  validateItem,
  withIds,
  applyFigureCommand,
  emptyFigure,
  type BuiltItem,
  type FigureCommand,
  type FigureDocument,
  type FigureItem,
  type SingleFigureCommand,
} from '@bogen/core/figure';
import { z } from 'zod';
import { freshId } from '../../figure/scene/freshId.js';
import type { FigureScene } from '../../figure/scene/scene.js';

const storageKey = 'bogen:copied-items';

/** Copied items as text: documented JSON, so that it can stand in any clipboard. */
const copiedSchema = z.strictObject({
  format: z.literal('bogen-figure-items'),
  version: z.literal(1),
  items: z.array(figureItemSchema).min(1).max(200),
});

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
  const text = JSON.stringify({ format: 'bogen-figure-items', version: 1, items: whole });
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

/** The items in a text, or `undefined` where it holds none. */
export function readItems(text: string): FigureItem[] | undefined {
  try {
    const read = copiedSchema.safeParse(JSON.parse(text));
    if (!read.success) return undefined;
    read.data.items.forEach(validateItem);
    return read.data.items;
  } catch {
    return undefined;
  }
}

/** What was copied last on this device, in whichever sheet or window. */
export function copiedItems(): FigureItem[] | undefined {
  return readItems(localStorage.getItem(storageKey) ?? '');
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
  const commands = placed.map((item, index): SingleFigureCommand => {
    let { name } = item;
    for (let k = 2; names.has(name); k++) name = `${item.name} ${k}`.slice(-200);
    names.add(name);
    return {
      name: 'addItem',
      item: withIds(itemDescription, { ...item, name }, ids),
      at: document.items.length + index,
    };
  });
  // Sources first, so that each item finds what it is built from.
  commands.sort((a, b) => depth(a, commands) - depth(b, commands));
  const [first] = placed;
  const onRail = first && first.kind !== 'point' && first.kind !== 'picture' ? ids.get(first.id)! : null;
  if (onRail) commands.push({ name: 'setRail', rail: { ...document.rail, item: onRail } });
  return { name: 'batch', commands };
}

/** How many steps an added item is away from items that are given. */
function depth(command: SingleFigureCommand, all: readonly SingleFigureCommand[]): number {
  if (command.name !== 'addItem') return 0;
  const sources = sourcesOf(command.item);
  return Math.max(
    0,
    ...all.flatMap((other) =>
      other.name === 'addItem' && sources.includes(other.item.id) ? [1 + depth(other, all)] : [],
    ),
  );
}
