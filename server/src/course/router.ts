import { toldByServer } from '@bogen/contract';
import { Router } from 'express';
import { sql } from 'kysely';
import { record } from '../audit/record.js';
import type { Db, Tx } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';
import { route } from '../http/route.js';
import { courseFor, instructorAt, lessonFor } from './access.js';

/** Who teaches a course, and giving courses and lessons away. */
export function courseRouter(db: Db): Router {
  const router = Router();

  route(router, db, 'courseInstructors', async ({ params, session }) => {
    const course = await courseFor(db, params.course, session.instructor.id, 'write');
    const owner = await db
      .selectFrom('instructor')
      .where('id', '=', course.owner)
      .select(['id', 'name', 'email'])
      .executeTakeFirstOrThrow();
    const instructors = await db
      .selectFrom('course_instructor')
      .innerJoin('instructor', 'instructor.id', 'course_instructor.instructor_id')
      .where('course_id', '=', course.id)
      .select(['instructor.id', 'instructor.name', 'instructor.email'])
      .orderBy('instructor.name')
      .execute();
    return { owner, instructors };
  });

  route(router, db, 'addCourseInstructor', async ({ params, body, session }) => {
    await db.transaction().execute(async (tx) => {
      const course = await courseFor(tx, params.course, session.instructor.id, 'own');
      const person = await instructorAt(tx, body.email);
      const added =
        person.id !== course.owner &&
        (await tx
          .insertInto('course_instructor')
          .values({ course_id: course.id, instructor_id: person.id })
          .onConflict((conflict) => conflict.doNothing())
          .returning('course_id')
          .executeTakeFirst());
      if (!added) throw new HttpProblem('refused', toldByServer('alreadyTeaches', { name: person.name }));
      await record(tx, session, 'coInstructorAdded', person, course.title);
    });
    return {};
  });

  route(router, db, 'removeCourseInstructor', async ({ params, session }) => {
    await db.transaction().execute(async (tx) => {
      const self = params.instructor === session.instructor.id;
      const course = await courseFor(tx, params.course, session.instructor.id, self ? 'write' : 'own');
      const gone = await tx
        .deleteFrom('course_instructor')
        .where('course_id', '=', course.id)
        .where('instructor_id', '=', params.instructor)
        .returning('instructor_id')
        .executeTakeFirst();
      if (!gone) throw new HttpProblem('not-found', toldByServer('personNotThere'));
      const { name } = await tx
        .selectFrom('instructor')
        .where('id', '=', gone.instructor_id)
        .select('name')
        .executeTakeFirstOrThrow();
      await record(tx, session, 'coInstructorRemoved', { id: gone.instructor_id, name }, course.title);
    });
    return {};
  });

  route(router, db, 'handOverCourse', async ({ params, body, session }) => {
    await db.transaction().execute(async (tx) => {
      const course = await courseFor(tx, params.course, session.instructor.id, 'own');
      const heir = await heirAt(tx, body.email, session.instructor.id);
      await tx
        .updateTable('course')
        .set({ instructor_id: heir.id, place: sql<number>`extract(epoch from clock_timestamp())` })
        .where('id', '=', course.id)
        .execute();
      await tx
        .deleteFrom('course_instructor')
        .where('course_id', '=', course.id)
        .where('instructor_id', '=', heir.id)
        .execute();
      if (body.stay)
        await tx
          .insertInto('course_instructor')
          .values({ course_id: course.id, instructor_id: session.instructor.id })
          .onConflict((conflict) => conflict.doNothing())
          .execute();
      await record(tx, session, 'courseHandedOver', { id: course.id, name: course.title }, heir.name);
    });
    return {};
  });

  route(router, db, 'handOverLesson', async ({ params, body, session }) => {
    await db.transaction().execute(async (tx) => {
      const lesson = await lessonFor(tx, params.lesson, session.instructor.id, 'own');
      const heir = await heirAt(tx, body.email, session.instructor.id);
      const course =
        (await tx
          .selectFrom('course')
          .where('instructor_id', '=', heir.id)
          .where('title', '=', lesson.courseTitle)
          .where('deleted_at', 'is', null)
          .select('id')
          .orderBy('place')
          .executeTakeFirst()) ??
        (await tx
          .insertInto('course')
          .values({ instructor_id: heir.id, title: lesson.courseTitle })
          .returning('id')
          .executeTakeFirstOrThrow());
      await tx
        .updateTable('lesson')
        .set({ course_id: course.id, place: sql<number>`extract(epoch from clock_timestamp())` })
        .where('id', '=', lesson.id)
        .execute();
      const { title } = await tx
        .selectFrom('stream')
        .where('id', '=', lesson.streamId)
        .select(sql<string>`document ->> 'title'`.as('title'))
        .executeTakeFirstOrThrow();
      await record(tx, session, 'lessonHandedOver', { id: lesson.id, name: title }, heir.name);
    });
    return {};
  });

  return router;
}

async function heirAt(tx: Tx, email: string, giver: string): Promise<{ id: string; name: string }> {
  const heir = await instructorAt(tx, email);
  if (heir.id === giver) throw new HttpProblem('refused', toldByServer('notYourself'));
  return heir;
}
