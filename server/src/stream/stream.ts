import { batchLimits, documentLimit, toldByServer } from '@bogen/contract';
import type { Change, UndoLists } from '@bogen/core/lesson';
import { sql } from 'kysely';
import type { Db, Tx } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';
import { Applying } from './applying.js';
import { presentDocument, storedColumns } from './present.js';
import type { StreamKind } from './kind.js';

/** A document at a revision, with what one author can undo and redo of it. */
export interface StreamState<Document, Command> extends UndoLists<Command> {
  readonly document: Document;
  readonly revision: number;
  /** Whether more can be undone than is handed out. */
  readonly more: boolean;
  /** Ids of the newest steps. */
  readonly recent: string[];
}

/** So many commands in one are worth the way to a thread of their own. */
export const manyCommands = 20;

/** A snapshot is kept every so many steps, so that any state is rebuilt by replaying at most as many. */
export const snapshotEvery = 100;

/** Of what can be undone and redone so many steps, and so many bytes, are handed out. */
const undoLimits = { steps: 40, bytes: 300_000 };

/** So many bytes of a log are read to find out how a document was. */
const mostReplayed = 16_000_000;

/** Makes a stream of a whole document, at revision 0. */
export async function createStream(tx: Tx, document: unknown): Promise<string> {
  const text = JSON.stringify(document);
  if (text.length > documentLimit) throw new HttpProblem('too-large', toldByServer('documentTooLarge'));
  const { id } = await tx
    .insertInto('stream')
    .values({ document: text })
    .returning('id')
    .executeTakeFirstOrThrow();
  await tx.insertInto('stream_snapshot').values({ stream_id: id, revision: 0, document: text }).execute();
  return id;
}

/** The present document of a stream, without what can be undone. */
export async function readDocument<Document, Command>(
  db: Db | Tx,
  id: string,
  kind: StreamKind<Document, Command>,
): Promise<{ document: Document; revision: number }> {
  const stored = await db
    .selectFrom('stream')
    .select(storedColumns)
    .where('id', '=', id)
    .executeTakeFirstOrThrow();
  return { document: await presentDocument(kind, stored), revision: stored.revision };
}

/** The present document with what `author` can undo and redo. What it costs does not grow with the log. */
export async function readStream<Document, Command>(
  db: Db | Tx,
  id: string,
  kind: StreamKind<Document, Command>,
  author: string,
): Promise<StreamState<Document, Command>> {
  const { document, revision } = await readDocument(db, id, kind);
  const [undoable, redoable] = await Promise.all([
    changes(db, id, kind, author, 'done', revision),
    changes(db, id, kind, author, 'undone', revision),
  ]);
  const recent = await db
    .selectFrom('stream_step')
    .select('id')
    .where('stream_id', '=', id)
    .where('revision', '<=', revision)
    // Said as a range, so that no plan looks at more of the log.
    .where('revision', '>', revision - batchLimits.steps)
    .orderBy('revision', 'desc')
    .execute();
  return {
    document,
    revision,
    undoable: undoable.list,
    redoable: redoable.list,
    more: undoable.more,
    recent: recent.map((row) => row.id),
  };
}

async function changes<Document, Command>(
  db: Db | Tx,
  id: string,
  kind: StreamKind<Document, Command>,
  author: string,
  state: 'done' | 'undone',
  revision: number,
): Promise<{ list: Change<Command>[]; more: boolean }> {
  // The next to be done again is the earliest that was undone.
  const direction = sql.raw(state === 'done' ? 'desc' : 'asc');
  // Of what is not handed out only its size is read.
  const { rows } = await sql<
    { isKept: false } | { isKept: true; id: string; command: Command; inverse: Command; version: number }
  >`select "isKept", id, version, case when "isKept" then command end as command,
      case when "isKept" then inverse end as inverse
    from (
      select *, place = 1 or (place <= ${undoLimits.steps} and sum(bytes) over (order by place) <= ${undoLimits.bytes})
        as "isKept"
      from (
        select *, row_number() over (order by revision ${direction}) as place from stream_step
        where stream_id = ${id} and author = ${author} and kind = 'do' and state = ${state} and revision <= ${revision}
        order by revision ${direction} limit ${undoLimits.steps + 1}
      ) as newest
    ) as judged order by place`.execute(db);
  const kept = rows.filter((row) => row.isKept);
  return {
    list: kept.reverse().map((row) => ({
      id: row.id,
      command: kind.readCommand(row.command, row.version),
      inverse: kind.readCommand(row.inverse, row.version),
    })),
    more: kept.length < rows.length,
  };
}

/**
 * The document as it was at a revision, rebuilt from the snapshot before it.
 * @returns `undefined` where nothing is kept from before that revision
 */
export async function documentAt<Document, Command>(
  db: Db | Tx,
  id: string,
  kind: StreamKind<Document, Command>,
  revision: number,
): Promise<Document | undefined> {
  const snapshot = await db
    .selectFrom('stream_snapshot')
    .select(['document', 'revision'])
    .where('stream_id', '=', id)
    .where('revision', '<=', revision)
    .orderBy('revision', 'desc')
    .limit(1)
    .executeTakeFirst();
  if (!snapshot) return undefined;
  const { bytes } = await db
    .selectFrom('stream_step')
    .select(({ fn }) => fn.sum<string | null>('bytes').as('bytes'))
    .where('stream_id', '=', id)
    .where('revision', '>', snapshot.revision)
    .where('revision', '<=', revision)
    .executeTakeFirstOrThrow();
  if (Number(bytes ?? 0) > mostReplayed) throw new HttpProblem('too-costly', toldByServer('takesTooLong'));
  const { rows } = await sql<{ effect: Command; version: number }>`
    select coalesce(effect, command) as effect, version from stream_step
    where stream_id = ${id} and revision > ${snapshot.revision} and revision <= ${revision}
    order by revision`.execute(db);
  const applying = new Applying(kind, kind.read(snapshot.document));
  for (const { effect, version } of rows) await applying.again(kind.readCommand(effect, version));
  return applying.document;
}
