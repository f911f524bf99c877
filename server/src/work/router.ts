import { toldByServer, type Answer } from '@bogen/contract';
import { isTaskMet, migrateLesson, sheetOf, taskOf, type Sheet, type TaskAnswer } from '@bogen/core/lesson';
import { operates } from '@bogen/core/figure';
import { Router } from 'express';
import { sql } from 'kysely';
import { Batches, perDatabase } from '../db/batches.js';
import type { Db, Tx } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';
import { route } from '../http/route.js';
import { Gate } from '../pool/gate.js';
import type { Pool, Runner } from '../pool/pool.js';
import { appendSteps } from '../stream/append.js';
import { createStream, readDocument, readStream } from '../stream/stream.js';
import { drawnBySheet, sheetOfStudent } from './ownSheets.js';
import { startOf, KnownWorks, studentStream, workStream } from './streams.js';

/** Students' work on the sheets of an edition. */
export function workRouter(db: Db, pool: Pool): Router {
  const router = Router();
  const calculating = new Gate(2, 100);
  const works = new KnownWorks(db);

  route(router, db, 'openWork', async ({ params, session }) => {
    const { student } = session;
    const sheet = await sheetForStudent(
      db,
      pool.of(session.student.id),
      params.edition,
      params.sheet,
      student,
    );
    const { id, streamId } = await openWork(
      db,
      pool.of(student.id),
      student.id,
      params.edition,
      sheet,
      params.stage,
    );
    await touchStudent(db, student);
    const state = await readStream(db, streamId, workStream, student.id);
    return { ...state, id, sheet: sheet.id, stage: params.stage };
  });

  route(router, db, 'appendToWork', async ({ params, body, session }) => {
    const { student } = session;
    if (student.closed) throw new HttpProblem('not-allowed', toldByServer('classClosed'));
    const { streamId, start } = await works.of(params.work, student.id);
    await touchStudent(db, student);
    const append = () =>
      appendSteps(db, streamId, student.id, body, studentStream(pool.of(student.id), start));
    return body.steps.some((step) => step.kind === 'do' && operates(step.command))
      ? calculating.pass(append)
      : append();
  });

  route(router, db, 'checkTask', async ({ params, body, session }) => {
    const { student } = session;
    if (student.closed) throw new HttpProblem('refused', toldByServer('classClosed'));
    const sheet = await sheetForStudent(
      db,
      pool.of(session.student.id),
      params.edition,
      params.sheet,
      student,
    );
    return checkWork(db, pool.of(student.id), student.id, params.edition, sheet, params.task, body.answer);
  });

  return router;
}

/** Who was here just now, all of the same moment together. */
const seenBy = perDatabase(
  (db: Db) =>
    new Batches(async (ids: readonly string[]) => {
      await sql`update student set last_seen = now() where id = any(${ids}::uuid[])`.execute(db);
      return ids;
    }, 1),
);

/** A student was here just now. It is written down once a minute, since it is told by minutes. */
async function touchStudent(db: Db, { id, seenAt }: { id: string; seenAt: Date }): Promise<void> {
  if (Date.now() - Number(seenAt) >= 60_000) await seenBy(db).get(id);
}

/** The sheet of an edition as a student gets it, where that edition is of a lesson of their class's course. */
async function sheetForStudent(
  db: Db,
  pool: Runner,
  editionId: string,
  sheetId: string,
  { id, classId }: { readonly id: string; readonly classId: string },
): Promise<Sheet> {
  const edition = await db
    .selectFrom('edition')
    .innerJoin('lesson', 'lesson.id', 'edition.lesson_id')
    .innerJoin('course', 'course.id', 'lesson.course_id')
    .innerJoin('class', 'class.course_id', 'course.id')
    .where('lesson.deleted_at', 'is', null)
    .where('course.deleted_at', 'is', null)
    .where('edition.id', '=', editionId)
    .where('class.id', '=', classId)
    .select('edition.document')
    .executeTakeFirst();
  const sheet = edition && sheetOf(migrateLesson(edition.document), sheetId);
  if (!sheet) throw new HttpProblem('not-found', toldByServer('sheetNotInClass'));
  return sheetOfStudent(db, pool, sheet, { student: id, edition: editionId });
}

/**
 * The student's work on a stage of a sheet; made, from the figure as that stage shows it, where there is none.
 * @param drawnBy by whom the sheet is drawn, where it is somebody else than the student
 */
export async function openWork(
  db: Db,
  pool: Runner,
  studentId: string,
  editionId: string,
  sheet: Sheet,
  stage: string,
  drawnBy?: string,
): Promise<{ id: string; streamId: string }> {
  const known = await workOn(db, studentId, editionId, sheet.id, stage);
  if (known) return known;
  const index = sheet.stages.findIndex(({ id }) => id === stage);
  if (index < 0) throw new HttpProblem('not-found', toldByServer('stageNotInSheet'));
  // What a stage comes to takes any time that its writer made it take.
  const start = index === 0 ? sheet.figure : await pool.run('stage', sheet, stage);
  return db.transaction().execute(async (tx) => {
    // Two tabs may open the same stage at once; the student's row is the gate.
    await tx.selectFrom('student').select('id').where('id', '=', studentId).forUpdate().execute();
    const made = await workOn(tx, studentId, editionId, sheet.id, stage);
    if (made) return made;
    const stream = await createStream(tx, start);
    return tx
      .insertInto('work')
      .values({
        student_id: studentId,
        edition_id: editionId,
        sheet_id: sheet.id,
        stage,
        stream_id: stream,
        drawn_by:
          drawnBy ?? (await drawnBySheet(tx, { student: studentId, edition: editionId })).get(sheet.id),
      })
      .returning(['id', 'stream_id as streamId'])
      .executeTakeFirstOrThrow();
  });
}

function workOn(
  db: Db | Tx,
  studentId: string,
  editionId: string,
  sheetId: string,
  stage: string,
): Promise<{ id: string; streamId: string } | undefined> {
  return db
    .selectFrom('work')
    .select(['id', 'stream_id as streamId'])
    .where('student_id', '=', studentId)
    .where('edition_id', '=', editionId)
    .where('sheet_id', '=', sheetId)
    .where('stage', '=', stage)
    .executeTakeFirst();
}

/**
 * Judges the saved work of a task's stage with the same calculation as the browser, in a thread of its own and within a
 * time, and keeps the result.
 */
export async function checkWork(
  db: Db,
  pool: Runner,
  studentId: string,
  editionId: string,
  sheet: Sheet,
  taskId: string,
  answer?: TaskAnswer,
): Promise<Answer<'checkTask'>> {
  const task = taskOf(sheet, taskId);
  if (!task) throw new HttpProblem('refused', toldByServer('nothingToCheck'));
  const work = await workOn(db, studentId, editionId, sheet.id, task.stage);
  if (!work) throw new HttpProblem('refused', toldByServer('openBeforeCheck'));
  const start = await startOf(db, work.streamId);
  const { document, revision } = await readDocument(db, work.streamId, workStream);
  const { results, score } = await pool.run('check', sheet, task, { start, figure: document, answer });
  const passed = isTaskMet(results);
  const of = { student_id: studentId, edition_id: editionId, sheet_id: sheet.id, task_id: taskId };
  const kept = {
    results: JSON.stringify(results),
    answer: answer ? JSON.stringify(answer) : null,
    checked_revision: revision,
  };
  return db.transaction().execute(async (tx) => {
    // Each check is kept; the newest stands with the task.
    await tx
      .insertInto('task_check')
      .values({ ...of, revision, results: kept.results, answer: kept.answer, passed })
      .execute();
    const passedAt = sql<Date | null>`case when ${passed} then now() end`;
    await tx
      .insertInto('task_state')
      .values({ ...of, ...kept, attempts: 1, passed_at: passedAt, score })
      .onConflict((conflict) =>
        conflict.columns(['student_id', 'edition_id', 'sheet_id', 'task_id']).doUpdateSet({
          ...kept,
          attempts: sql<number>`task_state.attempts + 1`,
          passed_at: sql<Date | null>`coalesce(task_state.passed_at, excluded.passed_at)`,
          score: sql<number | null>`least(task_state.score, excluded.score)`,
        }),
      )
      .execute();
    return { results, passed, revision };
  });
}
