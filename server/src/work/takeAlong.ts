import {
  canonicalText,
  migrateLesson,
  sheetOf,
  taskOf,
  type LessonDocument,
  type Sheet,
} from '@bogen/core/lesson';
import { sql } from 'kysely';
import type { Db, Tx } from '../db/connect.js';

interface EditionOfWork {
  readonly id: string;
  readonly document: LessonDocument;
}

/**
 * Takes a student's work along to an edition that they have not begun yet, from the newest that they have: the work on every
 * stage whose figure is the same in both, with its undo, and what is known of every task that is the same. The work on the earlier
 * edition stays where it is.
 */
export async function takeWorkAlong(db: Db, student: string, from: string, to: EditionOfWork): Promise<void> {
  await db.transaction().execute(async (tx) => {
    // Two tabs may come at once; the student's row is the gate.
    await tx.selectFrom('student').select('id').where('id', '=', student).forUpdate().execute();
    const isBegun = await tx
      .selectFrom('work')
      .select('id')
      .where('student_id', '=', student)
      .where('edition_id', '=', to.id)
      .executeTakeFirst();
    if (isBegun) return;
    const { document } = await tx
      .selectFrom('edition')
      .select('document')
      .where('id', '=', from)
      .executeTakeFirstOrThrow();
    const before = migrateLesson(document);
    const works = await tx
      .selectFrom('work')
      .select(['sheet_id as sheet', 'stage', 'stream_id as stream', 'drawn_by as drawnBy'])
      .where('student_id', '=', student)
      .where('edition_id', '=', from)
      .execute();
    for (const { sheet, stage, stream, drawnBy } of works) {
      if (!isSameStage(sheetOf(before, sheet), sheetOf(to.document, sheet), stage)) continue;
      await tx
        .insertInto('work')
        .values({
          student_id: student,
          edition_id: to.id,
          sheet_id: sheet,
          stage,
          stream_id: await copyStream(tx, stream),
          taken_from: from,
          drawn_by: drawnBy,
        })
        .execute();
    }
    await takeTasksAlong(tx, student, from, before, to);
  });
}

async function takeTasksAlong(
  tx: Tx,
  student: string,
  from: string,
  before: LessonDocument,
  to: EditionOfWork,
): Promise<void> {
  const rows = await tx
    .selectFrom('task_state')
    .select(['sheet_id as sheet', 'task_id as task'])
    .where('student_id', '=', student)
    .where('edition_id', '=', from)
    .execute();
  for (const { sheet: sheetId, task: taskId } of rows) {
    const [old, now] = [sheetOf(before, sheetId), sheetOf(to.document, sheetId)];
    const [task, same] = [old && taskOf(old, taskId), now && taskOf(now, taskId)];
    if (!task || !same || canonicalText(task) !== canonicalText(same) || !isSameStage(old, now, task.stage))
      continue;
    await sql`
      insert into task_state (student_id, edition_id, sheet_id, task_id, results, answer, checked_revision, attempts,
        passed_at, score)
      select student_id, ${to.id}, sheet_id, task_id, results, answer, checked_revision, attempts, passed_at, score
      from task_state
      where student_id = ${student} and edition_id = ${from} and sheet_id = ${sheetId} and task_id = ${taskId}
    `.execute(tx);
  }
}

/** A stream of its own with the same steps, which the same people can undo. */
async function copyStream(tx: Tx, id: string): Promise<string> {
  const { rows } = await sql<{ id: string }>`
    insert into stream (document, document_revision, revision, changed_at)
    select document, document_revision, revision, changed_at from stream where id = ${id} returning id
  `.execute(tx);
  const copy = rows[0]!.id;
  const columns = sql.raw(
    'revision, id, kind, command, inverse, effect, of_revision, state, author, client_at, made_at, version',
  );
  await sql`
    insert into stream_step (stream_id, ${columns}) select ${copy}, ${columns} from stream_step where stream_id = ${id}
  `.execute(tx);
  await sql`
    insert into stream_snapshot (stream_id, revision, document)
    select ${copy}, revision, document from stream_snapshot where stream_id = ${id}
  `.execute(tx);
  return copy;
}

/** Whether a stage gives its readers the same figure in both: words can be others. */
function isSameStage(before: Sheet | undefined, now: Sheet | undefined, stage: string): boolean {
  const [first, second] = [before && figureKey(before, stage), now && figureKey(now, stage)];
  return first !== undefined && first === second;
}

/** Everything that the figure of a stage follows from; nothing where there is no such stage. */
function figureKey({ figure, stages, tasks }: Sheet, stage: string): string | undefined {
  const index = stages.findIndex(({ id }) => id === stage);
  if (index < 0) return undefined;
  const until = stages.slice(0, index + 1);
  return canonicalText([
    figure,
    until.map(({ commands, kept }) => [commands, kept]),
    until.map(({ id }) => tasks.filter((task) => task.stage === id).map(({ varied }) => varied ?? [])),
  ]);
}
