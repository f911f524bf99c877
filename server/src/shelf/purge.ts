import { daysKept } from '@bogen/contract';
import type { Logger } from 'pino';
import type { Db } from '../db/connect.js';

const day = 24 * 60 * 60 * 1000;

/** Since when something must have been deleted, so that it is not kept any more. */
export const keptSince = (now = Date.now()): Date => new Date(now - daysKept * day);

/** Removes for good what was deleted long enough ago, with the work of students on it. */
export async function purgeDeleted(db: Db, before = keptSince()): Promise<number> {
  return db.transaction().execute(async (tx) => {
    const gone = await tx
      .selectFrom('lesson')
      .innerJoin('course', 'course.id', 'lesson.course_id')
      .where((where) =>
        where.or([where('lesson.deleted_at', '<', before), where('course.deleted_at', '<', before)]),
      )
      .select(['lesson.id', 'lesson.stream_id as stream'])
      .execute();
    const lessons = gone.map(({ id }) => id);
    const work = lessons.length
      ? await tx
          .selectFrom('work')
          .innerJoin('edition', 'edition.id', 'work.edition_id')
          .where('edition.lesson_id', 'in', lessons)
          .select('work.stream_id as stream')
          .execute()
      : [];
    if (lessons.length) await tx.deleteFrom('lesson').where('id', 'in', lessons).execute();
    await tx.deleteFrom('course').where('deleted_at', '<', before).execute();
    await tx.deleteFrom('bench_figure').where('deleted_at', '<', before).execute();
    const streams = [...gone, ...work].map(({ stream }) => stream);
    if (streams.length) await tx.deleteFrom('stream').where('id', 'in', streams).execute();
    return lessons.length;
  });
}

/** Purges now and then once a day, as long as the server runs. */
export function purgeDaily(db: Db, log: Logger): void {
  const purge = (): void => {
    purgeDeleted(db).then(
      (count) => count > 0 && log.info({ count }, 'lessons removed that were deleted long ago'),
      (error: unknown) => log.error(error),
    );
  };
  purge();
  setInterval(purge, day).unref();
}
