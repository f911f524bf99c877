import { daysKept } from '@bogen/contract';
import { sql } from 'kysely';
import type { Logger } from 'pino';
import type { Db } from '../db/connect.js';
import { forgetCourses, forgetLessons, forgetStudents } from './forget.js';

const day = 24 * 60 * 60 * 1000;
/** For how many days the audit log is kept. */
const auditDays = 400;

/** Since when something must have been deleted, so that it is not kept any more. */
export const keptSince = (now = Date.now()): Date => new Date(now - daysKept * day);

/**
 * Removes for good what was deleted long enough ago, with the work of students on it, and the students of classes that
 * closed longer ago than their work is to be kept.
 * @returns how many courses, lessons, classes and students went
 */
export async function purgeDeleted(db: Db, before = keptSince()): Promise<number> {
  const ids = (rows: readonly { id: string }[]): string[] => rows.map(({ id }) => id);
  // Each kind in a transaction of its own, so that none of them gets long.
  return (
    (await db.transaction().execute(async (tx) => {
      const courses = ids(
        await tx.selectFrom('course').where('deleted_at', '<', before).select('id').execute(),
      );
      await forgetCourses(tx, courses);
      const lessons = ids(
        await tx.selectFrom('lesson').where('deleted_at', '<', before).select('id').execute(),
      );
      await forgetLessons(tx, lessons);
      await tx.deleteFrom('bench_figure').where('deleted_at', '<', before).execute();
      return courses.length + lessons.length;
    })) +
    (await db.transaction().execute(async (tx) => {
      const classes = ids(
        await tx.selectFrom('class').where('deleted_at', '<', before).select('id').execute(),
      );
      const students = ids(
        await tx
          .selectFrom('student')
          .innerJoin('class', 'class.id', 'student.class_id')
          .where((where) =>
            where.or([
              where('student.removed_at', '<', before),
              where('class.deleted_at', '<', before),
              sql<boolean>`class.closed_at + class.days_kept * interval '1 day' < now()`,
            ]),
          )
          .select('student.id')
          .execute(),
      );
      await forgetStudents(tx, students);
      if (classes.length > 0) await tx.deleteFrom('class').where('id', 'in', classes).execute();
      return classes.length + students.length;
    })) +
    (await db.transaction().execute(async (tx) => {
      await sql`delete from audit where at < now() - ${auditDays} * interval '1 day'`.execute(tx);
      // Pictures of people who were erased, once no lesson, edition or bench shows them any more.
      await sql`delete from picture where instructor_id is null
        and not exists (select from stream where document::text like '%' || picture.id || '%')
        and not exists (select from edition where document::text like '%' || picture.id || '%')
        and not exists (select from bench_figure where document::text like '%' || picture.id || '%')`.execute(
        tx,
      );
      return 0;
    }))
  );
}

/**
 * Purges now and then once a day, as long as the server runs.
 * @returns what ends it; resolved when a purge that was under way has come to its end
 */
export function purgeDaily(db: Db, log: Logger): () => Promise<void> {
  let last = Promise.resolve();
  const purge = (): void => {
    last = purgeDeleted(db).then(
      (count) => void (count > 0 && log.info({ count }, 'removed what was deleted long ago')),
      (error: unknown) => log.error(error),
    );
  };
  purge();
  const timer = setInterval(purge, day).unref();
  return () => {
    clearInterval(timer);
    return last;
  };
}
