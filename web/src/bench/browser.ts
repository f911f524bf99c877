import { migrateFigure, validateFigure, type FigureDocument } from '@bogen/core/figure';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { newId } from '../saving/newId.js';
import type { BenchFigure, BenchStore } from './kept.js';

interface Kept extends BenchFigure {
  readonly deleted?: true;
}

interface Rooms extends DBSchema {
  figures: { key: string; value: Kept };
  /** States of figures of an account that are not sent yet. */
  unsent: { key: string; value: { id: string; figure: FigureDocument; base: number } };
  /** Pictures to draw over that rest on this device alone. */
  pictures: { key: string; value: { id: string; blob: Blob } };
}

let opened: Promise<IDBPDatabase<Rooms>> | undefined;
export function benchRooms(): Promise<IDBPDatabase<Rooms>> {
  opened ??= openDB<Rooms>('bogen-bench', 2, {
    upgrade: (db, before) => {
      if (before < 1) {
        db.createObjectStore('figures', { keyPath: 'id' });
        db.createObjectStore('unsent', { keyPath: 'id' });
      }
      if (before < 2) db.createObjectStore('pictures', { keyPath: 'id' });
    },
    // A page of a newer version is not kept waiting by this one.
    blocking: (_, __, event) => {
      opened = undefined;
      (event.target as IDBDatabase).close();
    },
    terminated: () => (opened = undefined),
  });
  opened.catch(() => (opened = undefined));
  return opened;
}

/** A figure that is not there, or that this page can't read. */
export class NotOnBench extends Error {
  override readonly name = 'NotOnBench';
}

/** A figure as it was kept, brought to the current version; nothing where an older page can't read it. */
function readable(kept: Kept): BenchFigure | undefined {
  try {
    const figure = migrateFigure(kept.figure) as unknown as FigureDocument;
    validateFigure(figure);
    return { ...kept, figure };
  } catch {
    return undefined;
  }
}

async function existing(id: string): Promise<Kept> {
  const kept = await (await benchRooms()).get('figures', id);
  if (!kept) throw new NotOnBench(id);
  return kept;
}

/** The bench of this browser, for whoever has no account. */
export const browserBench: BenchStore = {
  place: 'browser',
  list: async () =>
    (await (await benchRooms()).getAll('figures'))
      .filter(({ deleted }) => !deleted)
      .flatMap((kept) => readable(kept) ?? [])
      .toSorted((a, b) => b.changedAt.localeCompare(a.changedAt)),
  read: async (id) => {
    const figure = readable(await existing(id));
    if (!figure) throw new NotOnBench(id);
    return figure;
  },
  add: async (name, figure) => {
    const id = newId();
    const changedAt = new Date().toISOString();
    await (await benchRooms()).put('figures', { id, name, revision: 0, changedAt, figure });
    return id;
  },
  rename: async (id, name) => {
    await (await benchRooms()).put('figures', { ...(await existing(id)), name });
  },
  remove: async (id) => {
    await (await benchRooms()).put('figures', { ...(await existing(id)), deleted: true });
  },
  bringBack: async (id) => {
    const { deleted: _, ...kept } = await existing(id);
    await (await benchRooms()).put('figures', kept);
  },
  // Two pages of one browser do not ask each other: the later one counts.
  keep: async (id, figure) => {
    const kept = await existing(id);
    const next = { ...kept, figure, revision: kept.revision + 1, changedAt: new Date().toISOString() };
    await (await benchRooms()).put('figures', next);
    return next.revision;
  },
};

/** Keeps on the device what is about to be sent. */
export async function keepUnsent(id: string, figure: FigureDocument, base: number): Promise<void> {
  await (await benchRooms()).put('unsent', { id, figure, base });
}

/** What of a figure was not sent when its page went. */
export async function unsentOf(id: string): Promise<{ figure: FigureDocument; base: number } | undefined> {
  const kept = await (await benchRooms()).get('unsent', id);
  const figure = kept && readable({ id, name: '', revision: kept.base, changedAt: '', figure: kept.figure });
  return figure && { figure: figure.figure, base: kept.base };
}

/** It was sent, unless something newer waits meanwhile. */
export async function forgetUnsent(id: string, figure: FigureDocument): Promise<void> {
  const db = await benchRooms();
  const kept = await db.get('unsent', id);
  if (kept && JSON.stringify(kept.figure) === JSON.stringify(figure)) await db.delete('unsent', id);
}
