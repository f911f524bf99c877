import { hash } from '@node-rs/argon2';
import { sql } from 'kysely';
import { randomUUID } from 'node:crypto';
import type { Sheet } from '@bogen/core/lesson';
import {
  attemptOf,
  attemptsOn,
  courseTitle,
  demoClass,
  demoLessons,
  instructor,
  students,
  type DemoLesson,
  type Went,
} from '@bogen/demo';
import type { Db } from '../db/connect.js';
import { readLessonFile } from '../lesson/file.js';
import { publishEdition } from '../lesson/publish.js';
import type { Pool } from '../pool/pool.js';
import { hashSecret, randomToken } from '../http/secret.js';
import { nameKey } from '../name/nameKey.js';
import { appendSteps } from '../stream/append.js';
import { createStream } from '../stream/stream.js';
import { checkWork, openWork } from '../work/router.js';
import { startOf, studentStream } from '../work/streams.js';

/** The number of the lock that whoever loads holds. */
const loading = 4870_011;

/**
 * Loads the demo course into an empty database, by the same functions that real requests use. Does
 * nothing where there is an instructor already. Where loading was cut off before, what it left is taken away first.
 */
export async function loadDemo(db: Db, pool: Pool): Promise<void> {
  // Two servers may start at once on an empty database; one of them loads, and the other waits until it has. The lock goes
  // with its connection, so that a process that dies holds nobody up.
  await db.connection().execute(async (holder) => {
    await sql`select pg_advisory_lock(${loading})`.execute(holder);
    try {
      if (!(await isWanted(db))) return;
      await load(db, pool);
      await db.updateTable('loaded').set({ done_at: new Date() }).where('name', '=', 'demo').execute();
    } finally {
      await sql`select pg_advisory_unlock(${loading})`.execute(holder);
    }
  });
}

/** Whether the demo is to be loaded now, with what a load that was cut off has left taken away. */
async function isWanted(db: Db): Promise<boolean> {
  return await db.transaction().execute(async (tx) => {
    const begun = await tx
      .selectFrom('loaded')
      .select('done_at')
      .where('name', '=', 'demo')
      .executeTakeFirst();
    const people = await tx.selectFrom('instructor').select('email').execute();
    if (people.length === 0 && !begun) {
      await tx.insertInto('loaded').values({ name: 'demo' }).execute();
      return true;
    }
    // Somebody else's data are nobody's to take away.
    if (!begun || begun.done_at || people.some(({ email }) => email !== instructor.email)) return false;
    const tables = await tx.introspection.getTables();
    const filled = tables.filter(({ name }) => name !== 'loaded').map(({ name }) => sql.table(name));
    await sql`truncate ${sql.join(filled)}`.execute(tx);
    return true;
  });
}

async function load(db: Db, pool: Pool): Promise<void> {
  const passwordHash = await hash(instructor.password);
  const account = await db
    .insertInto('instructor')
    .values({
      email: instructor.email,
      name: instructor.name,
      password_hash: passwordHash,
      role: 'administrator',
      is_demo: true,
    })
    .returning('id')
    .executeTakeFirstOrThrow();
  const read: DemoLesson[] = [];
  for (const of of demoLessons)
    // Ours can be drawn, and a start need not wait for it.
    read.push({ ...of, document: await readLessonFile(db, pool, account.id, of.file, 'later') });
  const made = await db.transaction().execute(async (tx) => {
    const course = await tx
      .insertInto('course')
      .values({ instructor_id: account.id, title: courseTitle })
      .returning('id')
      .executeTakeFirstOrThrow();
    const lessons: { id: string; of: DemoLesson }[] = [];
    for (const [place, of] of read.entries()) {
      const { id } = await tx
        .insertInto('lesson')
        .values({ course_id: course.id, stream_id: await createStream(tx, of.document), place })
        .returning('id')
        .executeTakeFirstOrThrow();
      lessons.push({ id, of });
    }
    const group = await tx
      .insertInto('class')
      .values({ course_id: course.id, ...demoClass })
      .returning('id')
      .executeTakeFirstOrThrow();
    return { lessons, group: group.id, instructor: account.id };
  });
  const editions: { id: string; of: DemoLesson }[] = [];
  for (const { id, of } of made.lessons) {
    await publishEdition(db, id, 0, made.instructor);
    const edition = await db
      .selectFrom('edition')
      .select('id')
      .where('lesson_id', '=', id)
      .executeTakeFirstOrThrow();
    editions.push({ id: edition.id, of });
  }
  for (const [number, { name, went }] of students.entries()) {
    const student = await db
      .insertInto('student')
      .values({
        class_id: made.group,
        name,
        name_key: nameKey(name),
        return_key_hash: hashSecret(randomToken()),
      })
      .returning('id')
      .executeTakeFirstOrThrow();
    for (const { id, of } of editions) {
      const fates = went(of.document.title);
      for (const [index, sheet] of of.document.sheets.entries())
        await loadWork(db, pool, { student: student.id, number, edition: id, of, sheet, went: fates[index] });
    }
    // Each was last here at another time.
    await db
      .updateTable('student')
      .set({ last_seen: new Date(Date.now() - number * 17 * 60_000) })
      .where('id', '=', student.id)
      .execute();
  }
}

/** What a made-up student did on a sheet. */
interface LoadedWork {
  readonly student: string;
  readonly number: number;
  readonly edition: string;
  readonly of: DemoLesson;
  readonly sheet: Sheet;
  readonly went: Went | undefined;
}

async function loadWork(
  db: Db,
  pool: Pool,
  { student, number, edition, of, sheet, went = 'unopened' }: LoadedWork,
): Promise<void> {
  if (went === 'unopened') return;
  if (sheet.tasks.length === 0) await openWork(db, pool, student, edition, sheet, sheet.stages[0]!.id);
  for (const task of sheet.tasks) {
    const work = await openWork(db, pool, student, edition, sheet, task.stage);
    const { commands = [], answer } = attemptOf(sheet, task, attemptsOn(of, sheet.id, task.id), went, number);
    const steps = commands.map((command) => ({ id: randomUUID(), kind: 'do' as const, command }));
    if (steps.length > 0)
      await appendSteps(
        db,
        work.streamId,
        student,
        { base: 0, steps },
        studentStream(pool, await startOf(db, work.streamId)),
      );
    if (went === 'wrong' || went === 'done')
      await checkWork(db, pool, student, edition, sheet, task.id, answer);
  }
}
