import { Router } from 'express';
import { record } from '../audit/record.js';
import { classFor, courseFor } from '../course/access.js';
import { brokenConstraint, type Db, type Tx } from '../db/connect.js';
import { route } from '../http/route.js';
import { randomCode } from '../http/secret.js';

/** Making classes, naming, closing and deleting them. */
export function classManageRouter(db: Db): Router {
  const router = Router();

  route(router, db, 'createClass', async ({ params, body, session }) => {
    await courseFor(db, params.course, session.instructor.id, 'own');
    return withFreeCode(db, async (tx, code) => {
      const made = await tx
        .insertInto('class')
        .values({ course_id: params.course, name: body.name, code })
        .returning(['id', 'code'])
        .executeTakeFirstOrThrow();
      await record(tx, session, 'classMade', { id: made.id, name: body.name });
      return made;
    });
  });

  route(router, db, 'changeClass', async ({ params, body, session }) => {
    await db.transaction().execute(async (tx) => {
      const group = await ownClassAlsoDeleted(tx, params.class, session.instructor.id);
      const now = new Date();
      const since = (is: boolean | undefined): { at: Date | null } | undefined =>
        is === undefined ? undefined : { at: is ? now : null };
      const [closed, archived, deleted] = [since(body.closed), since(body.archived), since(body.deleted)];
      const set = {
        ...(body.name !== undefined && { name: body.name }),
        ...(body.daysKept !== undefined && { days_kept: body.daysKept }),
        ...(closed && { closed_at: closed.at }),
        ...(archived && { archived_at: archived.at }),
        ...(deleted && { deleted_at: deleted.at }),
      };
      if (Object.keys(set).length === 0) return;
      await tx.updateTable('class').set(set).where('id', '=', group.id).execute();
      const what =
        body.deleted !== undefined
          ? body.deleted
            ? 'classDeleted'
            : 'classRestored'
          : body.closed !== undefined
            ? body.closed
              ? 'classClosed'
              : 'classReopened'
            : 'classChanged';
      await record(tx, session, what, group, detailOf(body));
    });
    return {};
  });

  route(router, db, 'newClassCode', async ({ params, session }) => {
    const group = await classFor(db, params.class, session.instructor.id, 'own');
    return withFreeCode(db, async (tx, code) => {
      await tx.updateTable('class').set({ code }).where('id', '=', group.id).execute();
      await record(tx, session, 'classCodeChanged', group);
      return { code };
    });
  });

  return router;
}

/** What else the log says of a change. */
const detailOf = (body: { name?: string | undefined; daysKept?: number | null | undefined }): string | null =>
  body.name ?? (body.daysKept === undefined ? null : String(body.daysKept ?? ''));

/** Does something with a code that no other class has. */
async function withFreeCode<T>(db: Db, work: (tx: Tx, code: string) => Promise<T>): Promise<T> {
  for (let attempt = 0; ; attempt++) {
    try {
      return await db.transaction().execute((tx) => work(tx, randomCode(2, 4)));
    } catch (error) {
      if (!brokenConstraint(error)?.includes('code') || attempt === 5) throw error;
    }
  }
}

/** A class of an instructor's own, also one that was deleted and can be brought back. @throws HttpProblem `not-found` */
async function ownClassAlsoDeleted(
  tx: Tx,
  id: string,
  instructor: string,
): Promise<{ id: string; name: string }> {
  const deleted = await tx
    .selectFrom('class')
    .innerJoin('course', 'course.id', 'class.course_id')
    .where('class.id', '=', id)
    .where('class.deleted_at', 'is not', null)
    .where('course.instructor_id', '=', instructor)
    .where('course.deleted_at', 'is', null)
    .select(['class.id', 'class.name'])
    .executeTakeFirst();
  if (deleted) return deleted;
  return classFor(tx, id, instructor, 'own');
}
