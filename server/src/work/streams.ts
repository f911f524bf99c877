import { toldByServer } from '@bogen/contract';
import { told } from '@bogen/core/lesson';
import {
  applyFigureCommand,
  figureVersion,
  migrateFigure,
  migrateFigureCommand,
  readerMay,
  singleCommands,
  type FigureCommand,
  type FigureDocument,
} from '@bogen/core/figure';
import { CommandError, type Step } from '@bogen/core/lesson';
import type { Db } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';
import type { Pool } from '../pool/pool.js';
import type { StreamKind } from '../stream/stream.js';

/** A student's figure as a stream of commands. */
export const workStream: StreamKind<FigureDocument, FigureCommand> = {
  apply: applyFigureCommand,
  read: (stored) => migrateFigure(stored) as unknown as FigureDocument,
  version: figureVersion,
  readCommand: migrateFigureCommand,
  size: (command) => singleCommands(command).length,
};

/** The same for a student, who may only do what the stage allows its readers. */
export function studentStream(pool: Pool, start: FigureDocument): StreamKind<FigureDocument, FigureCommand> {
  return {
    ...workStream,
    permit: async (document, command) => {
      if (!readerMay(document, command, start)) throw new CommandError(told('notForReaders'));
      // What an operation comes to is calculated again, in a thread of its own and within a time.
      if (isOperation(command) && !(await pool.run('results', document, command)))
        throw new CommandError(told('resultNotTrue'));
    },
  };
}

const isOperation = (command: FigureCommand): boolean =>
  singleCommands(command).some(({ name }) => name === 'operate');

/** Whether a step carries the result of an operation, which is calculated again before it is believed. */
export const operates = (step: Step<FigureCommand>): boolean =>
  step.kind === 'do' && isOperation(step.command);

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
    const work = await this.db
      .selectFrom('work')
      .select('stream_id as streamId')
      .where('id', '=', id)
      .where('student_id', '=', student)
      .executeTakeFirst();
    if (!work) throw new HttpProblem('not-found', toldByServer('workNotYours'));
    const known = { student, streamId: work.streamId, start: await startOf(this.db, work.streamId) };
    if (JSON.stringify(known.start).length <= most.bytes) this.kept.set(id, known);
    const [oldest] = this.kept.keys();
    if (this.kept.size > most.count) this.kept.delete(oldest!);
    return known;
  }
}
