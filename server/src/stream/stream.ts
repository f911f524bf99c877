import { toldByServer } from '@bogen/contract';
import {
  CommandError,
  type Applied,
  type Apply,
  type Change,
  type Step,
  type UndoLists,
} from '@bogen/core/lesson';
import { batchLimits, documentLimit } from '@bogen/contract';
import { sql } from 'kysely';
import { perDatabase } from '../db/batches.js';
import type { Db, Tx } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';
import { SharedGate } from '../pool/gate.js';
import { Applying } from './applying.js';
import { presentOf, savedBy, type WrittenStep } from './atOnce.js';
import { StepRows } from './stepRows.js';

/** A document at a revision, with what one author can undo and redo of it. */
export interface StreamState<Document, Command> extends UndoLists<Command> {
  readonly document: Document;
  readonly revision: number;
  /** Whether more can be undone than is handed out. */
  readonly more: boolean;
  /** Ids of the newest steps. */
  readonly recent: string[];
}

/** How one kind of document is read and changed. */
export interface StreamKind<Document, Command> {
  readonly apply: Apply<Document, Command>;
  /** Brings a stored document to the current version. */
  readonly read: (stored: unknown) => Document;
  /** The version that commands are stored under. */
  readonly version: number;
  /** Brings a stored command of an earlier version to the current one. */
  readonly readCommand: (stored: Command, version: number) => Command;
  /** How many commands are in one. */
  readonly size: (command: Command) => number;
  /** Throws where this caller may not give this command. */
  readonly permit?: (document: Document, command: Command) => void;
  /** What takes long is permitted and applied in a thread of its own. */
  readonly elsewhere?: Elsewhere<Document, Command>;
}

export interface Elsewhere<Document, Command> {
  readonly takesLong: (command: Command) => boolean;
  /** @param isAsked whether it has to be found out if this caller may give it */
  readonly apply: (
    document: Document,
    command: Command,
    isAsked: boolean,
  ) => Promise<Applied<Document, Command>>;
}

/** So many commands in one are worth the way to a thread of their own. */
export const manyCommands = 20;

/** A snapshot is kept every so many steps, so that any state is rebuilt by replaying at most as many. */
export const snapshotEvery = 100;

/** Of what can be undone and redone so many steps, and so many bytes, are handed out. */
const undoLimits = { steps: 40, bytes: 300_000 };

/** So many steps of others, and so many bytes of them, a stale client gets to join its own with. */
const mostSince = { steps: 500, bytes: 2_000_000 };
/** So many bytes of a log are read to find out how a document was. */
const mostReplayed = 16_000_000;

/** Makes a stream of a whole document, at revision 0. */
export async function createStream(tx: Tx, document: unknown): Promise<string> {
  const text = JSON.stringify(document);
  if (text.length > documentLimit) throw new HttpProblem('too-large', tooLargeToKeep);
  const { id } = await tx
    .insertInto('stream')
    .values({ document: text })
    .returning('id')
    .executeTakeFirstOrThrow();
  await tx.insertInto('stream_snapshot').values({ stream_id: id, revision: 0, document: text }).execute();
  return id;
}

const tooLargeToKeep = toldByServer('documentTooLarge');

/** The present document of a stream, without what can be undone. */
export async function readDocument<Document, Command>(
  db: Db | Tx,
  id: string,
  kind: StreamKind<Document, Command>,
): Promise<{ document: Document; revision: number }> {
  const stream = await db
    .selectFrom('stream')
    .select(['document', 'revision'])
    .where('id', '=', id)
    .executeTakeFirstOrThrow();
  return { document: kind.read(stream.document), revision: stream.revision };
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
 * Appends steps to a stream in one transaction. Steps that are there already, from a request whose
 * answer was lost, are passed over, so that sending twice is safe. Nothing of the log is read but, for an undo
 * or a redo, the one step that it is about.
 * @throws HttpProblem `stale` with the present state, and what was done since, where other steps came in since
 *   `base`; `refused` with the id of the step that does not fit, in which case nothing was saved
 */
export async function appendSteps<Document, Command>(
  db: Db,
  id: string,
  author: string,
  { base, steps }: { base: number; steps: readonly Step<Command>[] },
  kind: StreamKind<Document, Command>,
): Promise<{ revision: number }> {
  refuseTooManyCommands(steps, kind);
  return (
    (await appendAtOnce(db, id, author, base, steps, kind)) ?? appendInTurn(db, id, author, base, steps, kind)
  );
}

/**
 * The usual case in one reading and one writing: things that were done, on the revision that is there. Nothing is held in
 * between, and the writing takes place only where the revision is still the same.
 * @returns `undefined` where it is another case, and nothing was written
 * @throws HttpProblem as `appendSteps` does
 */
async function appendAtOnce<Document, Command>(
  db: Db,
  id: string,
  author: string,
  base: number,
  steps: readonly Step<Command>[],
  kind: StreamKind<Document, Command>,
): Promise<{ revision: number } | undefined> {
  const done = steps.filter((step) => step.kind === 'do');
  const revision = base + steps.length;
  if (done.length < steps.length || Math.floor(base / snapshotEvery) < Math.floor(revision / snapshotEvery))
    return undefined;
  const stream = await presentOf(db).get({ id, base, steps: steps.map((step) => step.id) });
  if (!stream || stream.isKnown) return undefined;
  const applying = new Applying(kind, kind.read(stream.document));
  const written: WrittenStep[] = [];
  for (const [index, step] of done.entries()) {
    const inverse = await tried(step, () => applying.do(step.command));
    written.push({
      id: step.id,
      revision: base + index + 1,
      command: step.command,
      inverse,
      at: step.at ?? null,
    });
  }
  const isSaved = await savedBy(db).get({
    id,
    base,
    revision,
    document: textOf(applying.document, steps),
    author,
    version: kind.version,
    steps: written,
  });
  return isSaved ? { revision } : undefined;
}

/** Does what a step asks for. @throws HttpProblem `refused`, with the step, where it does not fit */
async function tried<Command, T>(step: Step<Command>, work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof CommandError) throw new HttpProblem('refused', error.told, { step: step.id });
    throw error;
  }
}

/** A document as it is stored. @throws HttpProblem `too-large` */
function textOf<Command>(document: unknown, steps: readonly Step<Command>[]): string {
  const text = JSON.stringify(document);
  if (text.length > documentLimit)
    throw new HttpProblem('too-large', tooLargeToKeep, { step: largest(steps).id });
  return text;
}

/** A connection is held all the while, so that nobody gets more than one of them. */
const inTurn = perDatabase(() => new SharedGate(1, 20));

/** Any case, one after the other with whoever else appends. */
function appendInTurn<Document, Command>(
  db: Db,
  id: string,
  author: string,
  base: number,
  steps: readonly Step<Command>[],
  kind: StreamKind<Document, Command>,
): Promise<{ revision: number }> {
  return inTurn(db).pass(author, () =>
    db.transaction().execute(async (tx) => {
      const stream = await tx
        .selectFrom('stream')
        .select(['document', 'revision'])
        .where('id', '=', id)
        .forUpdate()
        .executeTakeFirst();
      // It was erased with whoever it belonged to.
      if (!stream) throw new HttpProblem('not-found', toldByServer('workNotYours'));
      const known = await tx
        .selectFrom('stream_step')
        .select('id')
        .where('stream_id', '=', id)
        .where(
          'id',
          'in',
          steps.map((step) => step.id),
        )
        .execute();
      const fresh = steps.filter((step) => !known.some((other) => other.id === step.id));
      // A client whose steps are all there is only up to date when nothing else came in since its base.
      if (base + known.length !== stream.revision) {
        throw new HttpProblem('stale', toldByServer('changedElsewhere'), {
          current: {
            ...(await readStream(tx, id, kind, author)),
            since: await since(tx, id, kind, base, steps),
          },
        });
      }
      if (fresh.length === 0) return { revision: stream.revision };
      const applying = new Applying(kind, kind.read(stream.document));
      let { revision } = stream;
      const rows = new StepRows<Command>(tx, id, author, kind.version);
      for (const step of fresh) {
        revision++;
        await tried(step, async () => {
          if (step.kind === 'do') {
            await rows.done(revision, step, await applying.do(step.command));
          } else {
            const change = await rows.next(step.kind, kind.readCommand);
            const effect = step.kind === 'undo' ? change.inverse : change.command;
            const inverse = await applying.again(effect);
            await rows.undoneOrRedone(revision, step, change.revision, effect, inverse);
          }
        });
        if (revision % snapshotEvery === 0) {
          await tx
            .insertInto('stream_snapshot')
            .values({ stream_id: id, revision, document: JSON.stringify(applying.document) })
            .execute();
        }
      }
      await rows.flush();
      await tx
        .updateTable('stream')
        .set({ document: textOf(applying.document, fresh), revision, changed_at: sql<Date>`now()` })
        .where('id', '=', id)
        .execute();
      return { revision };
    }),
  );
}

function refuseTooManyCommands<Document, Command>(
  steps: readonly Step<Command>[],
  kind: StreamKind<Document, Command>,
): void {
  const count = steps.reduce((sum, step) => sum + (step.kind === 'do' ? kind.size(step.command) : 1), 0);
  if (count > batchLimits.commands) {
    throw new HttpProblem(
      'bad-request',
      toldByServer('tooManyCommands', { most: batchLimits.commands, count }),
    );
  }
}

function largest<Command>(steps: readonly Step<Command>[]): Step<Command> {
  const size = (step: Step<Command>): number => JSON.stringify(step).length;
  return steps.reduce((most, step) => (size(step) > size(most) ? step : most));
}

/** What others did since a revision, as the commands that it came down to; `null` where that is too much to join. */
async function since<Document, Command>(
  tx: Tx,
  id: string,
  kind: StreamKind<Document, Command>,
  base: number,
  own: readonly Step<Command>[],
): Promise<Command[] | null> {
  const { rows } = await sql<{ isTooMuch: true } | { isTooMuch: false; effect: Command; version: number }>`
    select "isTooMuch", version, case when not "isTooMuch" then coalesce(effect, command) end as effect
    from (
      select *, count(*) over () > ${mostSince.steps} or sum(bytes) over () > ${mostSince.bytes} as "isTooMuch"
      from (
        select * from stream_step
        where stream_id = ${id} and revision > ${base} and id <> all(${own.map((step) => step.id)}::uuid[])
        order by revision limit ${mostSince.steps + 1}
      ) as others
    ) as judged order by revision`.execute(tx);
  const joined: Command[] = [];
  for (const row of rows) {
    if (row.isTooMuch) return null;
    joined.push(kind.readCommand(row.effect, row.version));
  }
  return joined;
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
