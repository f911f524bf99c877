import type { FigureCommand, FigureDocument } from '@bogen/core/figure';
import type { ConditionResult, History, Step, TaskAnswer } from '@bogen/core/lesson';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { newId } from '../saving/newId.js';

/** What somebody did on a stage of a sheet, as this browser keeps it. */
export interface KeptWork {
  readonly sheet: string;
  readonly stage: string;
  readonly revision: number;
  readonly history: History<FigureDocument, FigureCommand>;
  /** Every step that was done, so that it can be handed in. */
  readonly steps: readonly Step<FigureCommand>[];
}

/** How a task stands. */
interface KeptTask {
  readonly sheet: string;
  readonly task: string;
  readonly attempts: number;
  readonly passed: boolean;
  readonly results: readonly ConditionResult[];
  readonly answer?: TaskAnswer;
}

interface Rooms extends DBSchema {
  works: { key: string; value: KeptWork };
  tasks: { key: string; value: KeptTask };
}

interface Readers extends DBSchema {
  /** Who the reader of an edition is taken for, where that which is different for each student is drawn. */
  readers: { key: string; value: string };
}

/** Work on a lesson that stands alone, kept in this browser: in its database, and where it has none as long as the page is open. */
export interface Keeping {
  /**
   * By whom that is drawn which is different for each student: a new id the first time. `undefined` where work was begun
   * with a file that drew nothing.
   */
  readonly drawnBy: string | undefined;
  /** Whether it is still there when the page is opened the next time. */
  readonly isLasting: boolean;
  work(sheet: string, stage: string): KeptWork | undefined;
  task(sheet: string, task: string): KeptTask | undefined;
  readonly works: readonly KeptWork[];
  readonly tasks: readonly KeptTask[];
  keepWork(work: KeptWork): Promise<void>;
  keepTask(task: KeptTask): Promise<void>;
}

/** Opens what is kept of an edition. Everything is read once, since all of it is small. */
export async function openKeeping(edition: string): Promise<Keeping> {
  const works = new Map<string, KeptWork>();
  const tasks = new Map<string, KeptTask>();
  const prefix = `${edition}/`;
  const of = (sheet: string, part: string): string => `${prefix}${sheet}/${part}`;
  let db: IDBPDatabase<Rooms> | undefined;
  let drawnBy: string | undefined;
  try {
    db = await openDB<Rooms>('bogen-alone', 1, {
      upgrade: (made) => {
        made.createObjectStore('works');
        made.createObjectStore('tasks');
      },
    });
    const range = IDBKeyRange.bound(prefix, `${prefix}\uffff`);
    for (const work of await db.getAll('works', range)) works.set(of(work.sheet, work.stage), work);
    for (const task of await db.getAll('tasks', range)) tasks.set(of(task.sheet, task.task), task);
    // A database of its own: a new version of the other would wait for pages that have been open since before.
    const readers = await openDB<Readers>('bogen-alone-readers', 1, {
      upgrade: (made) => {
        made.createObjectStore('readers');
      },
    });
    drawnBy = await readers.get('readers', edition);
    if (drawnBy === undefined && works.size === 0) {
      drawnBy = newId();
      await readers.put('readers', drawnBy, edition);
    }
    readers.close();
  } catch {
    // A browser that keeps nothing for files lets the lesson be worked through all the same.
    db = undefined;
    drawnBy = newId();
  }
  return {
    drawnBy,
    isLasting: db !== undefined,
    work: (sheet, stage) => works.get(of(sheet, stage)),
    task: (sheet, task) => tasks.get(of(sheet, task)),
    get works() {
      return [...works.values()];
    },
    get tasks() {
      return [...tasks.values()];
    },
    async keepWork(work) {
      const key = of(work.sheet, work.stage);
      await db?.put('works', work, key);
      works.set(key, work);
    },
    async keepTask(task) {
      const key = of(task.sheet, task.task);
      await db?.put('tasks', task, key);
      tasks.set(key, task);
    },
  };
}
