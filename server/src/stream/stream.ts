import {
  CommandError,
  historyFromLog,
  type Apply,
  type Change,
  type LoggedStep,
  type Step,
} from '@bogen/core';
import { logLength } from '@bogen/contract';
import { sql } from 'kysely';
import type { Db, Tx } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';

/** A document at a revision with the newest steps that led to it. */
export interface StreamState<Document, Command> {
  readonly document: Document;
  readonly revision: number;
  readonly log: LoggedStep<Command>[];
}

/** How one kind of document is read and changed. */
export interface StreamKind<Document, Command> {
  readonly apply: Apply<Document, Command>;
  /** Brings a stored document to the current version. */
  readonly read: (stored: unknown) => Document;
  /** Throws where this caller may not give this command. */
  readonly permit?: (document: Document, command: Command) => void;
}

/** Makes a stream of a whole document, at revision 0. */
export async function createStream(tx: Tx, document: unknown): Promise<string> {
  const { id } = await tx
    .insertInto('stream')
    .values({ document: JSON.stringify(document) })
    .returning('id')
    .executeTakeFirstOrThrow();
  return id;
}

export async function readStream<Document, Command>(
  db: Db | Tx,
  id: string,
  kind: StreamKind<Document, Command>,
): Promise<StreamState<Document, Command>> {
  const stream = await db.selectFrom('stream').selectAll().where('id', '=', id).executeTakeFirstOrThrow();
  const steps = await db
    .selectFrom('stream_step')
    .select(['id', 'kind', 'command', 'inverse'])
    .where('stream_id', '=', id)
    .where('revision', '<=', stream.revision)
    .orderBy('revision', 'desc')
    .limit(logLength)
    .execute();
  return {
    document: kind.read(stream.document),
    revision: stream.revision,
    log: steps.reverse() as unknown as LoggedStep<Command>[],
  };
}

/**
 * Appends steps to a stream in one transaction. Steps that are there already, from a request whose
 * answer was lost, are passed over, so that sending twice is safe.
 * @throws HttpProblem `stale` with the present state where other steps came in since `base`
 */
export async function appendSteps<Document, Command>(
  db: Db,
  id: string,
  { base, steps }: { base: number; steps: readonly Step<Command>[] },
  kind: StreamKind<Document, Command>,
): Promise<{ revision: number }> {
  return db.transaction().execute(async (tx) => {
    const stream = await tx
      .selectFrom('stream')
      .selectAll()
      .where('id', '=', id)
      .forUpdate()
      .executeTakeFirstOrThrow();
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
      throw new HttpProblem(
        'stale',
        'This was changed elsewhere in the meantime. Nothing is lost: choose what to do with your changes.',
        { current: await readStream(tx, id, kind) },
      );
    }
    if (fresh.length === 0) return { revision: stream.revision };
    let document = kind.read(stream.document);
    let revision = stream.revision;
    let undo: UndoStack<Command> | undefined;
    for (const step of fresh) {
      revision++;
      let change: Change<Command> | undefined;
      if (step.kind === 'do') {
        kind.permit?.(document, step.command);
        const applied = kind.apply(document, step.command);
        document = applied.document;
        change = { command: step.command, inverse: applied.inverse };
        undo?.done(change);
      } else {
        undo ??= await UndoStack.load<Command>(tx, id);
        document = kind.apply(document, undo.next(step.kind)).document;
      }
      await tx
        .insertInto('stream_step')
        .values({
          stream_id: id,
          revision,
          id: step.id,
          kind: step.kind,
          command: change ? JSON.stringify(change.command) : null,
          inverse: change ? JSON.stringify(change.inverse) : null,
        })
        .execute();
    }
    await tx
      .updateTable('stream')
      .set({ document: JSON.stringify(document), revision, changed_at: sql<Date>`now()` })
      .where('id', '=', id)
      .execute();
    return { revision };
  });
}

/** What can be undone and redone next, by the stored log and the steps appended since. */
class UndoStack<Command> {
  private constructor(private readonly log: LoggedStep<Command>[]) {}

  static async load<Command>(tx: Tx, streamId: string): Promise<UndoStack<Command>> {
    const log = await tx
      .selectFrom('stream_step')
      .select(['id', 'kind', 'command', 'inverse'])
      .where('stream_id', '=', streamId)
      .orderBy('revision')
      .execute();
    return new UndoStack(log as unknown as LoggedStep<Command>[]);
  }

  done(change: Change<Command>): void {
    this.log.push({ id: '', kind: 'do', ...change });
  }

  /** The command that an undo or redo comes down to; the stack moves on. */
  next(kind: 'undo' | 'redo'): Command {
    const { undoable, redoable } = historyFromLog(undefined, this.log);
    const change = (kind === 'undo' ? undoable : redoable).at(-1);
    if (!change) throw new CommandError(`There is nothing to ${kind}.`);
    this.log.push({ id: '', kind });
    return kind === 'undo' ? change.inverse : change.command;
  }
}
