import { hash } from '@node-rs/argon2';
import { sql } from 'kysely';
import { randomUUID } from 'node:crypto';
import { courseTitle, demoClass, instructor, movesOf, nearAndFar, students } from '@bogen/demo';
import type { Db } from '../db/connect.js';
import { publishEdition } from '../lesson/publish.js';
import type { Pool } from '../pool/pool.js';
import { hashSecret, randomToken } from '../http/secret.js';
import { nameKey } from '../name/nameKey.js';
import { appendSteps, createStream } from '../stream/stream.js';
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
  const made = await db.transaction().execute(async (tx) => {
    const account = await tx
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
    const course = await tx
      .insertInto('course')
      .values({ instructor_id: account.id, title: courseTitle })
      .returning('id')
      .executeTakeFirstOrThrow();
    const lesson = await tx
      .insertInto('lesson')
      .values({ course_id: course.id, stream_id: await createStream(tx, nearAndFar) })
      .returning('id')
      .executeTakeFirstOrThrow();
    const group = await tx
      .insertInto('class')
      .values({ course_id: course.id, ...demoClass })
      .returning('id')
      .executeTakeFirstOrThrow();
    return { lesson: lesson.id, group: group.id, instructor: account.id };
  });
  await publishEdition(db, made.lesson, 0, made.instructor);
  const edition = await db
    .selectFrom('edition')
    .select('id')
    .where('lesson_id', '=', made.lesson)
    .executeTakeFirstOrThrow();
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
    for (const [index, sheet] of nearAndFar.sheets.entries()) {
      const fate = went[index]!;
      if (fate === 'unopened') continue;
      const stage = sheet.tasks[0]?.stage ?? sheet.stages[0]!.id;
      const work = await openWork(db, pool, student.id, edition.id, sheet, stage);
      const steps = movesOf(sheet, fate).map((command) => ({
        id: randomUUID(),
        kind: 'do' as const,
        command,
      }));
      if (steps.length > 0)
        await appendSteps(
          db,
          work.streamId,
          student.id,
          { base: 0, steps },
          studentStream(pool, await startOf(db, work.streamId)),
        );
      if (fate === 'wrong' || fate === 'done')
        for (const task of sheet.tasks) await checkWork(db, pool, student.id, edition.id, sheet, task.id);
    }
    // Each was last here at another time.
    await db
      .updateTable('student')
      .set({ last_seen: new Date(Date.now() - number * 17 * 60_000) })
      .where('id', '=', student.id)
      .execute();
  }
}
