import { toldByServer, type Body } from '@bogen/contract';
import type { LessonCommand, LessonDocument } from '@bogen/core/lesson';
import { randomUUID } from 'node:crypto';
import { Router } from 'express';
import { sql } from 'kysely';
import { record } from '../audit/record.js';
import { courseFor, lessonFor, type Right } from '../course/access.js';
import type { Db, Tx } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';
import { route } from '../http/route.js';
import { lessonStream } from '../lesson/document.js';
import { appendSteps } from '../stream/append.js';
import { createStream, readDocument } from '../stream/stream.js';
import { putAt } from './row.js';

/** The most lessons of a course, those put away among them. */
const mostLessons = 300;

/** Naming, moving, copying, putting away and deleting what stands on a shelf. */
export function shelfChangeRouter(db: Db): Router {
  const router = Router();

  route(router, db, 'changeCourse', async ({ params, body, session }) => {
    const owner = session.instructor.id;
    await db.transaction().execute(async (tx) => {
      // The instructor's row is the gate of the row of courses.
      await tx.selectFrom('instructor').select('id').where('id', '=', owner).forUpdate().execute();
      // A deleted one can be brought back, so that it is not asked for as others are.
      const course =
        body.deleted === undefined
          ? await courseFor(tx, params.course, owner, 'own')
          : await tx
              .selectFrom('course')
              .select(['id', 'title'])
              .where('id', '=', params.course)
              .where('instructor_id', '=', owner)
              .executeTakeFirst();
      if (!course) throw new HttpProblem('not-found', toldByServer('courseNotThere'));
      if (body.deleted !== undefined)
        await record(tx, session, body.deleted ? 'courseDeleted' : 'courseRestored', {
          id: course.id,
          name: course.title,
        });
      if (body.title !== undefined)
        await tx.updateTable('course').set({ title: body.title }).where('id', '=', course.id).execute();
      await setStanding(tx, 'course', course.id, body);
      if (body.at !== undefined) {
        const row = await tx
          .selectFrom('course')
          .select('id')
          .where('instructor_id', '=', owner)
          .where('deleted_at', 'is', null)
          .orderBy('place')
          .orderBy('id')
          .execute();
        await putAt(
          tx,
          'course',
          row.map(({ id }) => id),
          course.id,
          body.at,
        );
      }
    });
    return {};
  });

  route(router, db, 'changeLesson', async ({ params, body, session }) => {
    const owner = session.instructor.id;
    if (body.deleted !== undefined) {
      const title = await setDeleted(db, params.lesson, owner, body.deleted);
      await record(db, session, body.deleted ? 'lessonDeleted' : 'lessonRestored', {
        id: params.lesson,
        name: title,
      });
      if (body.deleted) return {};
    }
    const lesson = await lessonFor(db, params.lesson, owner, body.course === undefined ? 'write' : 'own');
    if (body.title !== undefined) await rename(db, lesson.streamId, owner, body.title);
    await db.transaction().execute(async (tx) => {
      const course = body.course ?? lesson.courseId;
      await lockCourse(tx, course, owner, course === lesson.courseId ? 'write' : 'own');
      if (course !== lesson.courseId) {
        await refuseFull(tx, course);
        await tx
          .updateTable('lesson')
          .set({ course_id: course, place: Date.now() / 1000 })
          .where('id', '=', lesson.id)
          .execute();
      }
      await setStanding(tx, 'lesson', lesson.id, { archived: body.archived });
      if (body.at !== undefined) await putAt(tx, 'lesson', await lessonsOf(tx, course), lesson.id, body.at);
    });
    return {};
  });

  route(router, db, 'copyLesson', async ({ params, body, session }) => {
    const owner = session.instructor.id;
    const lesson = await lessonFor(db, params.lesson, owner);
    const { document } = await readDocument(db, lesson.streamId, lessonStream);
    return db.transaction().execute(async (tx) => {
      await lockCourse(tx, lesson.courseId, owner);
      await refuseFull(tx, lesson.courseId);
      const id = await addLesson(tx, lesson.courseId, { ...document, title: body.title });
      // It stands right after the one that it is a copy of.
      const row = await lessonsOf(tx, lesson.courseId);
      await putAt(tx, 'lesson', row, id, row.filter((other) => other !== id).indexOf(lesson.id) + 1);
      return { id };
    });
  });

  route(router, db, 'copyCourse', async ({ params, body, session }) => {
    const owner = session.instructor.id;
    return db.transaction().execute(async (tx) => {
      await lockCourse(tx, params.course, owner);
      const made = await tx
        .insertInto('course')
        .values({ instructor_id: owner, title: body.title })
        .returning('id')
        .executeTakeFirstOrThrow();
      // One after the other, so that no more than one lesson is held at once.
      for (const id of await lessonsOf(tx, params.course)) {
        const { streamId } = await lessonFor(tx, id, owner);
        const { document } = await readDocument(tx, streamId, lessonStream);
        await addLesson(tx, made.id, document);
      }
      return made;
    });
  });

  return router;
}

/** Adds a lesson at the end of a course. */
export async function addLesson(tx: Tx, course: string, document: LessonDocument): Promise<string> {
  const stream = await createStream(tx, document);
  const { id } = await tx
    .insertInto('lesson')
    .values({ course_id: course, stream_id: stream })
    .returning('id')
    .executeTakeFirstOrThrow();
  return id;
}

/** The course is the gate of its row of lessons. @throws HttpProblem `not-found` */
export async function lockCourse(
  tx: Tx,
  id: string,
  instructor: string,
  right: Right = 'write',
): Promise<void> {
  await courseFor(tx, id, instructor, right);
  await tx.selectFrom('course').select('id').where('id', '=', id).forUpdate().execute();
}

/** @throws HttpProblem where a course has as many lessons as it can */
export async function refuseFull(tx: Tx, course: string): Promise<void> {
  const row = await lessonsOf(tx, course);
  if (row.length >= mostLessons)
    throw new HttpProblem('refused', toldByServer('courseFull', { most: mostLessons }));
}

async function lessonsOf(tx: Tx, course: string): Promise<readonly string[]> {
  const rows = await tx
    .selectFrom('lesson')
    .select('id')
    .where('course_id', '=', course)
    .where('deleted_at', 'is', null)
    .orderBy('place')
    .orderBy('id')
    .execute();
  return rows.map(({ id }) => id);
}

type Standing = Pick<Body<'changeCourse'>, 'archived' | 'deleted'>;

async function setStanding(
  tx: Tx,
  table: 'course' | 'lesson',
  id: string,
  { archived, deleted }: Standing,
): Promise<void> {
  const now = new Date();
  const set = {
    ...(archived === undefined ? {} : { archived_at: archived ? now : null }),
    ...(deleted === undefined ? {} : { deleted_at: deleted ? now : null }),
  };
  if (Object.keys(set).length > 0) await tx.updateTable(table).set(set).where('id', '=', id).execute();
}

/** Deletes a lesson, which can be taken back, or takes that back. @returns its title */
async function setDeleted(db: Db, id: string, owner: string, deleted: boolean): Promise<string> {
  const done = await db
    .updateTable('lesson')
    .set({ deleted_at: deleted ? new Date() : null })
    .where('id', '=', id)
    .where('course_id', 'in', (courses) =>
      courses
        .selectFrom('course')
        .select('id')
        .where('instructor_id', '=', owner)
        .where('deleted_at', 'is', null),
    )
    .returning('stream_id')
    .executeTakeFirst();
  if (!done) throw new HttpProblem('not-found', toldByServer('lessonNotThere'));
  const { title } = await db
    .selectFrom('stream')
    .where('id', '=', done.stream_id)
    .select(sql<string>`document ->> 'title'`.as('title'))
    .executeTakeFirstOrThrow();
  return title;
}

/** The title is part of the lesson, so that it is a step as in the writer, with undo. */
async function rename(db: Db, stream: string, owner: string, title: string): Promise<void> {
  const command: LessonCommand = { name: 'setTitle', title };
  for (let attempt = 0; ; attempt++) {
    const { revision } = await readDocument(db, stream, lessonStream);
    const steps = [{ id: randomUUID(), kind: 'do' as const, command }];
    try {
      await appendSteps(db, stream, owner, { base: revision, steps }, lessonStream);
      return;
    } catch (error) {
      // Somebody writes just now: it is tried again on what they wrote.
      if (!(error instanceof HttpProblem) || error.problem.type !== 'stale' || attempt === 4) throw error;
    }
  }
}
