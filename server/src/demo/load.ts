import { hash } from '@node-rs/argon2';
import { sql } from 'kysely';
import { randomUUID } from 'node:crypto';
import { courseTitle, demoClass, instructor, movesOf, nearAndFar, students } from '@bogen/demo';
import type { Db } from '../db/connect.js';
import { publishEdition } from '../lesson/publish.js';
import type { Pool } from '../pool/pool.js';
import { hashSecret, randomToken } from '../http/secret.js';
import { appendSteps, createStream } from '../stream/stream.js';
import { checkWork, openWork, startOf, studentStream } from '../work/router.js';

/**
 * Loads the demo course into an empty database, by the same functions that real requests use. Does
 * nothing where there is an instructor already.
 */
export async function loadDemo(db: Db, pool: Pool): Promise<void> {
  const passwordHash = await hash(instructor.password);
  const made = await db.transaction().execute(async (tx) => {
    // Two servers may start at once on an empty database; one of them loads.
    await sql`lock table instructor in exclusive mode`.execute(tx);
    if (await tx.selectFrom('instructor').select('id').executeTakeFirst()) return undefined;
    const account = await tx
      .insertInto('instructor')
      .values({ email: instructor.email, name: instructor.name, password_hash: passwordHash })
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
  if (!made) return;
  await publishEdition(db, made.lesson, 0, made.instructor);
  const edition = await db
    .selectFrom('edition')
    .select('id')
    .where('lesson_id', '=', made.lesson)
    .executeTakeFirstOrThrow();
  for (const [number, { name, went }] of students.entries()) {
    const student = await db
      .insertInto('student')
      .values({ class_id: made.group, name, return_key_hash: hashSecret(randomToken()) })
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
