import { toldByServer } from '@bogen/contract';
import { told } from '@bogen/core/lesson';
import {
  applyFigureCommand,
  figureVersion,
  migrateFigure,
  migrateFigureCommand,
  operates,
  readerMay,
  singleCommands,
  type FigureCommand,
  type FigureDocument,
} from '@bogen/core/figure';
import { CommandError } from '@bogen/core/lesson';
import { Batches, perDatabase } from '../db/batches.js';
import type { Db } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';
import type { Runner } from '../pool/pool.js';
import { manyCommands } from '../stream/stream.js';
import type { StreamKind } from '../stream/kind.js';

/** A student's figure as a stream of commands. */
export const workStream: StreamKind<FigureDocument, FigureCommand> = {
  apply: applyFigureCommand,
  read: (stored) => migrateFigure(stored) as unknown as FigureDocument,
  version: figureVersion,
  readCommand: migrateFigureCommand,
  size: (command) => singleCommands(command).length,
  documentEvery: 20,
};

/** The same for a student, who may only do what the stage allows its readers. */
export function studentStream(
  pool: Runner,
  start: FigureDocument,
): StreamKind<FigureDocument, FigureCommand> {
  return {
    ...workStream,
    permit: (document, command) => {
      if (!readerMay(document, command, start)) throw new CommandError(told('notForReaders'));
    },
    elsewhere: {
      takesLong: (command) => operates(command) || workStream.size(command) >= manyCommands,
      apply: (document, command, isAsked) =>
        pool.run('changeFigure', document, command, isAsked ? start : undefined),
    },
  };
}

/** The figure that a student's work began with, as its stage showed it when it was opened. */
export async function startOf(db: Db, streamId: string): Promise<FigureDocument> {
  const { document } = await db
    .selectFrom('stream_snapshot')
    .select('document')
    .where('stream_id', '=', streamId)
    .where('revision', '=', 0)
    .executeTakeFirstOrThrow();
  return workStream.read(document);
}

/** A student's work, as a save needs it. */
export interface KnownWork {
  readonly student: string;
  readonly streamId: string;
  readonly start: FigureDocument;
}

/** Work with what it began from, all that is asked for at the same moment together: a class begins at once. */
const foundBy = perDatabase(
  (db: Db) =>
    new Batches(
      async (ids: readonly string[]): Promise<readonly (KnownWork | undefined)[]> => {
        const rows = await db
          .selectFrom('work')
          .innerJoin('stream_snapshot', (join) =>
            join
              .onRef('stream_snapshot.stream_id', '=', 'work.stream_id')
              .on('stream_snapshot.revision', '=', 0),
          )
          .select(['work.id', 'student_id as student', 'work.stream_id as streamId', 'document as start'])
          .where('work.id', 'in', ids)
          .execute();
        const byId = new Map(
          rows.map(({ id, start, ...row }) => [id, { ...row, start: start as FigureDocument }]),
        );
        return ids.map((id) => byId.get(id));
      },
      2,
      30,
    ),
);

/** So much work is kept in mind, and none whose start is larger than this as JSON. */
const most = { count: 1000, bytes: 60_000 };

/**
 * The work that was saved last: whose it is, and the figure that it began with. Neither changes, and every save is held
 * against both: keeping some in memory spares the database half of what a save reads. Where two students are made one, the
 * work of one becomes the other's, whom it is not known of here, and is asked for.
 */
export class KnownWorks {
  private readonly kept = new Map<string, KnownWork>();
  constructor(private readonly db: Db) {}

  /** @throws HttpProblem `not-found`, also where it is another student's */
  async of(id: string, student: string): Promise<KnownWork> {
    const kept = this.kept.get(id);
    if (kept?.student === student) {
      // What was used last comes last, so that the first is the one to forget.
      this.kept.delete(id);
      this.kept.set(id, kept);
      return kept;
    }
    const found = await foundBy(this.db).get(id);
    if (found?.student !== student) throw new HttpProblem('not-found', toldByServer('workNotYours'));
    const known = { ...found, start: workStream.read(found.start) };
    if (JSON.stringify(known.start).length <= most.bytes) this.kept.set(id, known);
    const [oldest] = this.kept.keys();
    if (this.kept.size > most.count) this.kept.delete(oldest!);
    return known;
  }
}
