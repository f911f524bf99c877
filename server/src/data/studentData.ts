import type { Db } from '../db/connect.js';
import { readDocument } from '../stream/stream.js';
import { workStream } from '../work/streams.js';
import { benchOf } from './bench.js';

/** How many rows are read at once. */
const atOnce = 200;

/** All that is kept of a student; long lists come row by row, and what goes in the meantime is passed over. */
export async function studentData(db: Db, id: string): Promise<object> {
  const student = await db
    .selectFrom('student')
    .innerJoin('class', 'class.id', 'student.class_id')
    .innerJoin('course', 'course.id', 'class.course_id')
    .where('student.id', '=', id)
    .select([
      'student.name',
      'class.name as class',
      'course.title as course',
      'student.joined_at as joinedAt',
      'student.last_seen as lastSeen',
    ])
    .executeTakeFirstOrThrow();
  return {
    kind: 'student',
    ...student,
    sessions: await db
      .selectFrom('session')
      .where('student_id', '=', id)
      .select(['browser', 'made_at as since', 'seen_at as seen'])
      .execute(),
    work: workOf(db, id),
    tasks: await db
      .selectFrom('task_state')
      .innerJoin('edition', 'edition.id', 'task_state.edition_id')
      .where('student_id', '=', id)
      .select([
        'edition.outline',
        'edition.number as edition',
        'task_state.sheet_id as sheet',
        'task_state.task_id as task',
        'task_state.attempts',
        'task_state.score',
        'task_state.passed_at as passedAt',
        'task_state.answer',
      ])
      .execute()
      .then((rows) =>
        rows.map(({ outline, ...row }) => ({ lesson: (outline as { title: string }).title, ...row })),
      ),
    checks: checksOf(db, id),
    bench: benchOf(db, 'student_id', id),
  };
}

async function* workOf(db: Db, student: string): AsyncGenerator<object> {
  const rows = await db
    .selectFrom('work')
    .innerJoin('edition', 'edition.id', 'work.edition_id')
    .where('student_id', '=', student)
    .select([
      'work.stream_id as stream',
      'work.sheet_id as sheet',
      'work.stage',
      'work.drawn_by as drawnBy',
      'work.opened_at as openedAt',
      'edition.number as edition',
      'edition.outline',
    ])
    .orderBy('work.opened_at')
    .execute();
  for (const { stream, outline, ...row } of rows) {
    const kept = await db
      .selectFrom('stream')
      .where('id', '=', stream)
      .select('changed_at')
      .executeTakeFirst();
    if (!kept) continue;
    const { document, revision } = await readDocument(db, stream, workStream);
    yield {
      lesson: (outline as { title: string }).title,
      ...row,
      revision,
      changedAt: kept.changed_at,
      figure: document,
      steps: stepsOf(db, stream),
    };
  }
}

async function* stepsOf(db: Db, stream: string): AsyncGenerator<object> {
  for (let after = 0; ;) {
    const rows = await db
      .selectFrom('stream_step')
      .where('stream_id', '=', stream)
      .where('revision', '>', after)
      .select(['revision', 'kind', 'command', 'made_at as at'])
      .orderBy('revision')
      .limit(atOnce)
      .execute();
    yield* rows;
    if (rows.length < atOnce) return;
    after = rows.at(-1)!.revision;
  }
}

async function* checksOf(db: Db, student: string): AsyncGenerator<object> {
  for (let after = '0'; ;) {
    const rows = await db
      .selectFrom('task_check')
      .where('student_id', '=', student)
      .where('id', '>', after)
      .select([
        'id',
        'sheet_id as sheet',
        'task_id as task',
        'revision',
        'passed',
        'answer',
        'checked_at as at',
      ])
      .orderBy('id')
      .limit(atOnce)
      .execute();
    for (const { id: _, ...row } of rows) yield row;
    if (rows.length < atOnce) return;
    after = rows.at(-1)!.id;
  }
}
