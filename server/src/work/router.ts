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
import { CommandError, isTaskMet, migrateLesson, sheetOf, type Sheet } from '@bogen/core/lesson';
import { Router } from 'express';
import { sql } from 'kysely';
import type { Db } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';
import { route } from '../http/route.js';
import type { Pool } from '../pool/pool.js';
import { appendSteps, createStream, readStream, type StreamKind } from '../stream/stream.js';

/** A student's figure as a stream of commands. */
export const workStream: StreamKind<FigureDocument, FigureCommand> = {
  apply: applyFigureCommand,
  read: (stored) => migrateFigure(stored) as unknown as FigureDocument,
  version: figureVersion,
  readCommand: migrateFigureCommand,
  size: (command) => singleCommands(command).length,
};

/** The same for a student, who may only do what the published sheet leaves loose. */
export function studentStream(start: FigureDocument): StreamKind<FigureDocument, FigureCommand> {
  return {
    ...workStream,
    permit: (document, command) => {
      if (!readerMay(document, command, start)) {
        throw new CommandError(told('pointFixed'));
      }
    },
  };
}

/** Students' work on the sheets of an edition. */
export function workRouter(db: Db, pool: Pool): Router {
  const router = Router();

  route(router, db, 'openWork', async ({ params, session }) => {
    const { student } = session;
    const sheet = await sheetForStudent(db, params.edition, params.sheet, student.classId);
    const { id, streamId } = await openWork(db, student.id, params.edition, sheet);
    await db
      .updateTable('student')
      .set({ last_seen: sql<Date>`now()` })
      .where('id', '=', student.id)
      .execute();
    const facts = await db.selectFrom('work').selectAll().where('id', '=', id).executeTakeFirstOrThrow();
    const state = await readStream(db, streamId, workStream, student.id);
    return {
      ...state,
      id,
      sheet: sheet.id,
      results: facts.results as { met: boolean; measured: number | null }[] | null,
      resultsAreCurrent: facts.checked_revision === state.revision,
      passed: facts.passed_at !== null,
    };
  });

  route(router, db, 'appendToWork', async ({ params, body, session }) => {
    const own = await ownWork(db, params.work, session.student.id);
    await db
      .updateTable('student')
      .set({ last_seen: sql<Date>`now()` })
      .where('id', '=', session.student.id)
      .execute();
    return appendSteps(db, own.streamId, session.student.id, body, studentStream(own.start));
  });

  route(router, db, 'checkWork', async ({ params, session }) => {
    const own = await ownWork(db, params.work, session.student.id);
    return checkWork(db, pool, own.id);
  });

  return router;
}

/** The sheet of an edition, where that edition is of a lesson of the class's course. */
async function sheetForStudent(db: Db, editionId: string, sheetId: string, classId: string): Promise<Sheet> {
  const edition = await db
    .selectFrom('edition')
    .innerJoin('lesson', 'lesson.id', 'edition.lesson_id')
    .innerJoin('class', 'class.course_id', 'lesson.course_id')
    .where('edition.id', '=', editionId)
    .where('class.id', '=', classId)
    .select('edition.document')
    .executeTakeFirst();
  const sheet = edition && sheetOf(migrateLesson(edition.document), sheetId);
  if (!sheet) throw new HttpProblem('not-found', toldByServer('sheetNotInClass'));
  return sheet;
}

/** The student's work on a sheet; made, from the figure as it was published, where there is none. */
export async function openWork(
  db: Db,
  studentId: string,
  editionId: string,
  sheet: Sheet,
): Promise<{ id: string; streamId: string }> {
  return db.transaction().execute(async (tx) => {
    // Two tabs may open the same sheet at once; the student's row is the gate.
    await tx.selectFrom('student').select('id').where('id', '=', studentId).forUpdate().execute();
    const known = await tx
      .selectFrom('work')
      .select(['id', 'stream_id as streamId'])
      .where('student_id', '=', studentId)
      .where('edition_id', '=', editionId)
      .where('sheet_id', '=', sheet.id)
      .executeTakeFirst();
    if (known) return known;
    const stream = await createStream(tx, sheet.figure);
    return tx
      .insertInto('work')
      .values({ student_id: studentId, edition_id: editionId, sheet_id: sheet.id, stream_id: stream })
      .returning(['id', 'stream_id as streamId'])
      .executeTakeFirstOrThrow();
  });
}

async function ownWork(
  db: Db,
  id: string,
  studentId: string,
): Promise<{ id: string; streamId: string; start: FigureDocument }> {
  const work = await db
    .selectFrom('work')
    .innerJoin('edition', 'edition.id', 'work.edition_id')
    .select(['work.id', 'work.stream_id as streamId', 'work.sheet_id', 'edition.document'])
    .where('work.id', '=', id)
    .where('student_id', '=', studentId)
    .executeTakeFirst();
  const sheet = work && sheetOf(migrateLesson(work.document), work.sheet_id);
  if (!sheet) throw new HttpProblem('not-found', toldByServer('workNotYours'));
  return { id: work.id, streamId: work.streamId, start: sheet.figure };
}

/**
 * Judges the saved work with the same calculation as the browser, in a thread of its own and within a time,
 * and keeps the result.
 */
export async function checkWork(
  db: Db,
  pool: Pool,
  workId: string,
): Promise<{ results: { met: boolean; measured: number | null }[]; passed: boolean; revision: number }> {
  const row = await db
    .selectFrom('work')
    .innerJoin('stream', 'stream.id', 'work.stream_id')
    .innerJoin('edition', 'edition.id', 'work.edition_id')
    .where('work.id', '=', workId)
    .select(['work.sheet_id', 'stream.document as figure', 'stream.revision', 'edition.document as lesson'])
    .executeTakeFirstOrThrow();
  const sheet = sheetOf(migrateLesson(row.lesson), row.sheet_id);
  if (!sheet?.task) throw new HttpProblem('refused', toldByServer('nothingToCheck'));
  const results = await pool.run('check', sheet.task, sheet.figure, workStream.read(row.figure));
  const passed = isTaskMet(results);
  return db.transaction().execute(async (tx) => {
    // Each check is kept; the newest stands with the work.
    await tx
      .insertInto('work_check')
      .values({ work_id: workId, revision: row.revision, results: JSON.stringify(results), passed })
      .execute();
    await tx
      .updateTable('work')
      .set({
        results: JSON.stringify(results),
        checked_revision: row.revision,
        attempts: sql<number>`attempts + 1`,
        ...(passed ? { passed_at: sql<Date>`coalesce(passed_at, now())` } : {}),
      })
      .where('id', '=', workId)
      .execute();
    return { results, passed, revision: row.revision };
  });
}
