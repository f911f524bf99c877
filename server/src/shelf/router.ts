import { daysKept, type Answer } from '@bogen/contract';
import { Router } from 'express';
import { sql } from 'kysely';
import { courseFor, mayCourse } from '../course/access.js';
import type { Db } from '../db/connect.js';
import { route } from '../http/route.js';
import { migrateFigure, type FigureDocument } from '@bogen/core/figure';
import { readForeignLesson } from '../lesson/document.js';
import { readLessonFile } from '../lesson/file.js';
import type { Pool } from '../pool/pool.js';
import { addLesson, lockCourse, refuseFull } from './change.js';
import { findInLessons } from './find.js';
import { keptSince } from '../forget/purge.js';

/** An instructor's courses, and making courses and lessons. */
export function shelfRouter(db: Db, pool: Pool): Router {
  const router = Router();

  route(router, db, 'shelf', async ({ session }) => {
    const courses = await db
      .selectFrom('course')
      .innerJoin('instructor', 'instructor.id', 'course.instructor_id')
      .select([
        'course.id',
        'course.title',
        'course.archived_at as archivedAt',
        'instructor.id as ownerId',
        'instructor.name as owner',
      ])
      .where((where) => mayCourse(where, session.instructor.id, 'write'))
      .where('deleted_at', 'is', null)
      .orderBy((order) => order('course.instructor_id', '!=', session.instructor.id))
      .orderBy('place')
      .orderBy('course.id')
      .execute();
    const deleted = await deletedOf(db, session.instructor.id);
    const ids = courses.map(({ id }) => id);
    if (ids.length === 0) return { courses: [], deleted };
    const lessons = await db
      .selectFrom('lesson')
      .innerJoin('stream', 'stream.id', 'lesson.stream_id')
      .where('lesson.course_id', 'in', ids)
      .where('lesson.deleted_at', 'is', null)
      .select((select) => [
        'lesson.id',
        'lesson.archived_at as archivedAt',
        'lesson.course_id as course',
        sql<string>`stream.document ->> 'title'`.as('title'),
        sql<number>`jsonb_array_length(stream.document -> 'sheets')`.as('sheetCount'),
        sql<unknown>`stream.document -> 'sheets' -> 0 -> 'figure'`.as('firstFigure'),
        'stream.revision',
        'stream.changed_at as savedAt',
        select
          .selectFrom('edition')
          .whereRef('edition.lesson_id', '=', 'lesson.id')
          .select((max) => max.fn.max('number').as('n'))
          .as('edition'),
        select
          .selectFrom('edition')
          .whereRef('edition.lesson_id', '=', 'lesson.id')
          .select((max) => max.fn.max('edition.revision').as('n'))
          .as('editionRevision'),
      ])
      .orderBy('lesson.place')
      .orderBy('lesson.id')
      .execute();
    const classes = await db
      .selectFrom('class')
      .leftJoin('student', (on) =>
        on.onRef('student.class_id', '=', 'class.id').on('student.removed_at', 'is', null),
      )
      .where('class.course_id', 'in', ids)
      .where('class.deleted_at', 'is', null)
      .groupBy('class.id')
      .orderBy('class.made_at')
      .select((select) => [
        'class.id',
        'class.name',
        'class.code',
        'class.course_id as course',
        'class.closed_at as closedAt',
        'class.archived_at as archivedAt',
        select.fn.count<string>('student.id').as('students'),
      ])
      .execute();
    return {
      deleted,
      courses: courses.map(({ id, title, archivedAt, owner, ownerId }) => ({
        id,
        title,
        owner: ownerId === session.instructor.id ? null : owner,
        archived: archivedAt !== null,
        lessons: lessons
          .filter(({ course }) => course === id)
          .map((lesson) => ({
            id: lesson.id,
            title: lesson.title,
            archived: lesson.archivedAt !== null,
            sheetCount: lesson.sheetCount,
            firstFigure: migrateFigure(lesson.firstFigure) as unknown as FigureDocument,
            revision: lesson.revision,
            savedAt: lesson.savedAt.toISOString(),
            edition: lesson.edition,
            changedSinceEdition: lesson.edition !== null && lesson.editionRevision !== lesson.revision,
          })),
        classes: classes
          .filter(({ course }) => course === id)
          .map(({ id: classId, name, code, students, ...group }) => ({
            id: classId,
            name,
            code,
            students: Number(students),
            closed: group.closedAt !== null,
            archived: group.archivedAt !== null,
          })),
      })),
    };
  });

  route(router, db, 'createCourse', ({ body, session }) =>
    db
      .insertInto('course')
      .values({ instructor_id: session.instructor.id, title: body.title })
      .returning('id')
      .executeTakeFirstOrThrow(),
  );

  route(router, db, 'createLesson', async ({ params, body, session }) => {
    await courseFor(db, params.course, session.instructor.id, 'write');
    const document = readForeignLesson(body.document);
    return db.transaction().execute(async (tx) => {
      await lockCourse(tx, params.course, session.instructor.id);
      await refuseFull(tx, params.course);
      return { id: await addLesson(tx, params.course, document) };
    });
  });

  route(router, db, 'addLessonFile', async ({ params, body, session }) => {
    const owner = session.instructor.id;
    await courseFor(db, params.course, owner, 'write');
    const document = await readLessonFile(db, pool.of(owner), owner, body.file);
    return db.transaction().execute(async (tx) => {
      await lockCourse(tx, params.course, owner);
      await refuseFull(tx, params.course);
      return { id: await addLesson(tx, params.course, document), title: document.title };
    });
  });

  route(router, db, 'findInLessons', ({ query, session }) =>
    findInLessons(db, session.instructor.id, query.text),
  );

  return router;
}

/** What an instructor deleted and can still bring back; lessons of a deleted course come back with it. */
async function deletedOf(db: Db, owner: string): Promise<Answer<'shelf'>['deleted']> {
  const courses = await db
    .selectFrom('course')
    .select(['id', 'title', 'deleted_at as deletedAt'])
    .where('instructor_id', '=', owner)
    .where('deleted_at', '>', keptSince())
    .execute();
  const lessons = await db
    .selectFrom('lesson')
    .innerJoin('course', 'course.id', 'lesson.course_id')
    .innerJoin('stream', 'stream.id', 'lesson.stream_id')
    .select(['lesson.id', 'lesson.deleted_at as deletedAt'])
    .select(sql<string>`stream.document ->> 'title'`.as('title'))
    .where('course.instructor_id', '=', owner)
    .where('course.deleted_at', 'is', null)
    .where('lesson.deleted_at', '>', keptSince())
    .execute();
  const kept = daysKept * 24 * 60 * 60 * 1000;
  const classes = await db
    .selectFrom('class')
    .innerJoin('course', 'course.id', 'class.course_id')
    .select(['class.id', 'class.name as title', 'class.deleted_at as deletedAt'])
    .where('course.instructor_id', '=', owner)
    .where('course.deleted_at', 'is', null)
    .where('class.deleted_at', '>', keptSince())
    .execute();
  return [
    ...classes.map((group) => ({ kind: 'class' as const, ...group })),
    ...courses.map((course) => ({ kind: 'course' as const, ...course })),
    ...lessons.map((lesson) => ({ kind: 'lesson' as const, ...lesson })),
  ]
    .toSorted((a, b) => Number(b.deletedAt) - Number(a.deletedAt))
    .map(({ kind, id, title, deletedAt }) => ({
      kind,
      id,
      title,
      until: new Date(Number(deletedAt) + kept).toISOString(),
    }));
}
