import { openDB, type DBSchema, type IDBPDatabase, type IDBPTransaction } from 'idb';
import { newId } from './newId.js';
import type { AsideStep, LeftSteps, UnsentStep } from './unsent.js';
import { tailPrefix, oldPrefix, largestTail, readTail, type Tail } from './tail.js';

/** Unsent steps and what was set aside, as an open document writes them. */
export interface LocalSteps<Command> {
  /** What pages that are gone left of this document, oldest first. */
  readonly left: readonly LeftSteps<Command>[];
  readonly aside: readonly AsideStep<Command>[];
  readonly write: (base: number, unsent: readonly UnsentStep<Command>[]) => void;
  /** What `left` holds is taken over, and forgotten under the pages that left it. */
  readonly forgetLeft: () => void;
  readonly setAside: (steps: readonly AsideStep<Command>[]) => void;
  readonly forgetAside: () => void;
  /** Told when the device takes nothing more, and when it does again. */
  readonly onTrouble: (listener: (full: boolean) => void) => void;
  readonly close: () => void;
}

interface StepRecord {
  readonly document: string;
  readonly page: string;
  readonly order: number;
  /** The version of the document that the step was made on. */
  readonly version: number;
  readonly unsent: UnsentStep<unknown>;
}

interface Rooms extends DBSchema {
  steps: { key: [string, string, number]; value: StepRecord };
  pages: { key: [string, string]; value: { document: string; page: string; base: number } };
  aside: { key: [string, string]; value: AsideStep<unknown> & { document: string; version: number } };
}

type Room = 'steps' | 'pages' | 'aside';

/** How a document's commands are stored: under which version, and how those of an earlier one are read. */
export interface CommandVersions<Command> {
  readonly version: number;
  readonly read: (stored: Command, version: number) => Command;
}

/** How long pages that are still open have to say so. */
const answerMs = 120;

let opened: Promise<IDBPDatabase<Rooms>> | undefined;

function database(): Promise<IDBPDatabase<Rooms>> {
  opened ??= openDB<Rooms>('bogen-unsent', 1, {
    upgrade: (db) => {
      db.createObjectStore('steps', { keyPath: ['document', 'page', 'order'] });
      db.createObjectStore('pages', { keyPath: ['document', 'page'] });
      db.createObjectStore('aside', { keyPath: ['document', 'id'] });
    },
    terminated: () => (opened = undefined),
  });
  opened.catch(() => (opened = undefined));
  return opened;
}

const rangeOf = (document: string, page?: string): IDBKeyRange =>
  page === undefined
    ? IDBKeyRange.bound([document], [document, []])
    : IDBKeyRange.bound([document, page], [document, page, []]);

/**
 * Opens what rests on this device of a document's unsent steps. They are in a database of the browser, a record
 * each, so that thousands of them cost as much as they are, and one more costs one more. The newest, which the
 * database has not confirmed yet, stand as a text besides, since only that is written before a page that closes is
 * gone. Each page writes under a name of its own; a page that opens the same document takes over what pages left
 * that do not answer any more.
 */
export async function openLocalSteps<Command>(
  document: string,
  versions: CommandVersions<Command>,
): Promise<LocalSteps<Command>> {
  const page = newId();
  const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('bogen-pages');
  if (channel) {
    channel.onmessage = ({ data }: MessageEvent<{ ask?: string }>) => {
      if (data.ask === document) channel.postMessage({ alive: page });
    };
  }
  let db: IDBPDatabase<Rooms> | undefined;
  try {
    db = await database();
  } catch {
    // A browser that keeps no database for us still keeps the tail.
  }
  const read = ({ step, effect, ...rest }: UnsentStep<unknown>, version: number): UnsentStep<Command> => ({
    ...rest,
    step: (step.kind === 'do'
      ? { ...step, command: versions.read(step.command as Command, version) }
      : step) as UnsentStep<Command>['step'],
    effect: versions.read(effect as Command, version),
  });
  const found = await findLeft(db, document, channel);
  const asideRecords = db ? await db.getAll('aside', rangeOf(document)) : [];
  return new DeviceSteps<Command>(
    db,
    document,
    page,
    versions.version,
    channel,
    found.pages,
    found.left.map(({ base, unsent }) => ({
      base,
      unsent: unsent.map(({ version, unsent: step }) => read(step, version)),
    })),
    asideRecords.map(({ id, effect, reason, version }) => ({
      id,
      reason,
      effect: versions.read(effect as Command, version),
    })),
  );
}

interface Found {
  readonly pages: readonly string[];
  readonly left: readonly {
    readonly base: number;
    readonly unsent: readonly { readonly version: number; readonly unsent: UnsentStep<unknown> }[];
  }[];
}

/** What pages that are gone left of a document: from the database, and from the tails. */
async function findLeft(
  db: IDBPDatabase<Rooms> | undefined,
  document: string,
  channel: BroadcastChannel | undefined,
): Promise<Found> {
  const byPage = new Map<
    string,
    { base: number; unsent: { version: number; unsent: UnsentStep<unknown> }[] }
  >();
  if (db) {
    const [pages, steps] = await Promise.all([
      db.getAll('pages', rangeOf(document)),
      db.getAll('steps', rangeOf(document)),
    ]);
    for (const { page, base } of pages) byPage.set(page, { base, unsent: [] });
    for (const { page, version, unsent } of steps) byPage.get(page)?.unsent.push({ version, unsent });
  }
  for (const key of [...textKeys(tailPrefix(document)), ...textKeys(oldPrefix(document))]) {
    const tail = readTail(localStorage.getItem(key));
    const page = key.slice(key.lastIndexOf(':') + 1);
    if (!tail) continue;
    const known = byPage.get(page) ?? { base: tail.base, unsent: [] };
    byPage.set(page, known);
    const ids = new Set(known.unsent.map(({ unsent }) => unsent.step.id));
    for (const unsent of tail.unsent)
      if (!ids.has(unsent.step.id)) known.unsent.push({ version: tail.version ?? 1, unsent });
  }
  const alive = byPage.size > 0 ? await alivePages(document, channel) : new Set<string>();
  const left = [...byPage].filter(([page]) => !alive.has(page));
  return {
    pages: left.map(([page]) => page),
    left: left.map(([, steps]) => steps).filter(({ unsent }) => unsent.length > 0),
  };
}

function textKeys(prefix: string): string[] {
  return Array.from({ length: localStorage.length }, (_, index) => localStorage.key(index)).filter(
    (key): key is string => key !== null && key.startsWith(prefix),
  );
}

/** The pages that have this document open just now. */
function alivePages(document: string, channel: BroadcastChannel | undefined): Promise<Set<string>> {
  const alive = new Set<string>();
  if (!channel) return Promise.resolve(alive);
  return new Promise((resolve) => {
    const hear = ({ data }: MessageEvent<{ alive?: string }>): void => {
      if (data.alive !== undefined) alive.add(data.alive);
    };
    channel.addEventListener('message', hear);
    channel.postMessage({ ask: document });
    setTimeout(() => {
      channel.removeEventListener('message', hear);
      resolve(alive);
    }, answerMs);
  });
}

class DeviceSteps<Command> implements LocalSteps<Command> {
  /** What the database has, by the id of the step, and under which order. */
  private readonly kept = new Map<string, number>();
  /** What was handed to the database and is not confirmed. */
  private readonly onTheWay = new Set<string>();
  private order = 0;
  private base = -1;
  private full = false;
  private listener: (full: boolean) => void = () => undefined;
  private latest: { base: number; unsent: readonly UnsentStep<Command>[] } = { base: 0, unsent: [] };
  private readonly tail: string;

  constructor(
    private readonly db: IDBPDatabase<Rooms> | undefined,
    private readonly document: string,
    private readonly page: string,
    private readonly version: number,
    private readonly channel: BroadcastChannel | undefined,
    private leftPages: readonly string[],
    readonly left: readonly LeftSteps<Command>[],
    readonly aside: readonly AsideStep<Command>[],
  ) {
    this.tail = tailPrefix(document) + page;
  }

  write(base: number, unsent: readonly UnsentStep<Command>[]): void {
    this.latest = { base, unsent };
    this.writeTail();
    if (!this.db) return;
    const ids = new Set(unsent.map(({ step }) => step.id));
    const gone = [...this.kept].filter(([id]) => !ids.has(id));
    const fresh = unsent.filter(({ step }) => !this.kept.has(step.id));
    if (gone.length === 0 && fresh.length === 0 && base === this.base) return;
    const { document, page, version } = this;
    this.inTransaction(['steps', 'pages'], fresh, (transaction) => {
      const steps = transaction.objectStore('steps');
      const pages = transaction.objectStore('pages');
      for (const [id, order] of gone) {
        void steps.delete([document, page, order]);
        this.kept.delete(id);
      }
      for (const one of fresh) {
        const order = this.order++;
        this.kept.set(one.step.id, order);
        void steps.put({ document, page, order, version, unsent: one });
      }
      if (unsent.length === 0) void pages.delete([document, page]);
      else void pages.put({ document, page, base });
      this.base = base;
    });
  }

  forgetLeft(): void {
    const pages = this.leftPages;
    this.leftPages = [];
    // What was taken over is written under this page first.
    for (const page of pages) {
      localStorage.removeItem(tailPrefix(this.document) + page);
      localStorage.removeItem(oldPrefix(this.document) + page);
    }
    if (!this.db || pages.length === 0) return;
    this.inTransaction(['steps', 'pages'], [], (transaction) => {
      for (const page of pages) {
        void transaction.objectStore('steps').delete(rangeOf(this.document, page));
        void transaction.objectStore('pages').delete([this.document, page]);
      }
    });
  }

  setAside(steps: readonly AsideStep<Command>[]): void {
    if (!this.db || steps.length === 0) return;
    this.inTransaction(['aside'], [], (transaction) => {
      for (const step of steps)
        void transaction
          .objectStore('aside')
          .put({ ...step, document: this.document, version: this.version });
    });
  }

  forgetAside(): void {
    if (!this.db) return;
    this.inTransaction(['aside'], [], (transaction) => {
      void transaction.objectStore('aside').delete(rangeOf(this.document));
    });
  }

  onTrouble(listener: (full: boolean) => void): void {
    this.listener = listener;
    listener(this.full);
  }

  close(): void {
    this.channel?.close();
  }

  /** Runs changes in one transaction; steps that were put are written by the database when it is done. */
  private inTransaction(
    rooms: Room[],
    put: readonly UnsentStep<Command>[],
    change: (transaction: IDBPTransaction<Rooms, Room[], 'readwrite'>) => void,
  ): void {
    const ids = put.map(({ step }) => step.id);
    ids.forEach((id) => this.onTheWay.add(id));
    const failed = (): void => {
      // They are put again with the next step; until then the tail holds what it can.
      ids.forEach((id) => this.kept.delete(id));
      this.base = -1;
      this.tell(true);
    };
    try {
      const transaction = this.db!.transaction(rooms, 'readwrite');
      change(transaction);
      transaction.commit();
      transaction.done
        .then(
          () => put.length > 0 && this.tell(false),
          () => failed(),
        )
        .finally(() => {
          ids.forEach((id) => this.onTheWay.delete(id));
          this.writeTail();
        });
    } catch {
      ids.forEach((id) => this.onTheWay.delete(id));
      failed();
    }
  }

  private tell(full: boolean): void {
    if (full === this.full) return;
    this.full = full;
    this.listener(full);
  }

  /** Writes what the database has not confirmed, and nothing once it has all. */
  private writeTail(): void {
    const { base, unsent } = this.latest;
    const open = unsent.filter(({ step }) => !this.kept.has(step.id) || this.onTheWay.has(step.id));
    try {
      if (open.length === 0) {
        localStorage.removeItem(this.tail);
        return;
      }
      const text = JSON.stringify({ base, version: this.version, unsent: open } satisfies Tail);
      if (text.length <= largestTail) localStorage.setItem(this.tail, text);
      else if (this.db) localStorage.removeItem(this.tail);
      else this.tell(true);
    } catch {
      // No room for texts; the database has it, or tells that it is full.
      if (!this.db) this.tell(true);
    }
  }
}
