import { toldByServer } from '@bogen/contract';
import { Router } from 'express';
import { sql } from 'kysely';
import { brokenConstraint, type Db } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';
import { route } from '../http/route.js';
import { migrateFigure, type FigureDocument } from '@bogen/core/figure';
import { readForeignLesson } from '../lesson/document.js';
import { randomCode } from '../http/secret.js';
import { createStream } from '../stream/stream.js';

/** An instructor's courses, and making courses, lessons and classes. */
export function shelfRouter(db: Db): Router {
  const router = Router();

  route(router, db, 'shelf', async ({ session }) => {
    const courses = await db
      .selectFrom('course')
      .select(['id', 'title'])
      .where('instructor_id', '=', session.instructor.id)
      .orderBy('made_at')
      .execute();
    const ids = courses.map(({ id }) => id);
    if (ids.length === 0) return { courses: [] };
    const lessons = await db
      .selectFrom('lesson')
      .innerJoin('stream', 'stream.id', 'lesson.stream_id')
      .where('lesson.course_id', 'in', ids)
      .select((select) => [
        'lesson.id',
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
      .orderBy('lesson.made_at')
      .execute();
    const classes = await db
      .selectFrom('class')
      .leftJoin('student', 'student.class_id', 'class.id')
      .where('class.course_id', 'in', ids)
      .groupBy('class.id')
      .orderBy('class.made_at')
      .select((select) => [
        'class.id',
        'class.name',
        'class.code',
        'class.course_id as course',
        select.fn.count<string>('student.id').as('students'),
      ])
      .execute();
    return {
      courses: courses.map(({ id, title }) => ({
        id,
        title,
        lessons: lessons
          .filter(({ course }) => course === id)
          .map((lesson) => ({
            id: lesson.id,
            title: lesson.title,
            sheetCount: lesson.sheetCount,
            firstFigure: migrateFigure(lesson.firstFigure) as unknown as FigureDocument,
            revision: lesson.revision,
            savedAt: lesson.savedAt.toISOString(),
            edition: lesson.edition,
            changedSinceEdition: lesson.edition !== null && lesson.editionRevision !== lesson.revision,
          })),
        classes: classes
          .filter(({ course }) => course === id)
          .map(({ id: classId, name, code, students }) => ({
            id: classId,
            name,
            code,
            students: Number(students),
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
    await ownCourse(db, params.course, session.instructor.id);
    const document = readForeignLesson(body.document);
    return db.transaction().execute(async (tx) => {
      const stream = await createStream(tx, document);
      return tx
        .insertInto('lesson')
        .values({ course_id: params.course, stream_id: stream })
        .returning('id')
        .executeTakeFirstOrThrow();
    });
  });

  route(router, db, 'createClass', async ({ params, body, session }) => {
    await ownCourse(db, params.course, session.instructor.id);
    for (let attempt = 0; ; attempt++) {
      try {
        return await db
          .insertInto('class')
          .values({ course_id: params.course, name: body.name, code: randomCode(2, 4) })
          .returning(['id', 'code'])
          .executeTakeFirstOrThrow();
      } catch (error) {
        if (!brokenConstraint(error) || attempt === 5) throw error;
      }
    }
  });

  return router;
}

async function ownCourse(db: Db, id: string, instructor: string): Promise<void> {
  const course = await db
    .selectFrom('course')
    .select('id')
    .where('id', '=', id)
    .where('instructor_id', '=', instructor)
    .executeTakeFirst();
  if (!course) throw new HttpProblem('not-found', toldByServer('courseNotThere'));
}
