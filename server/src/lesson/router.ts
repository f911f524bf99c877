import { toldByServer } from '@bogen/contract';
import { Router } from 'express';
import type { Db } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';
import { route } from '../http/route.js';
import { appendSteps, readStream } from '../stream/stream.js';
import { lessonStream } from './document.js';
import { publishEdition } from './publish.js';

/** Drafts and their editions. */
export function lessonRouter(db: Db): Router {
  const router = Router();

  route(router, db, 'draft', async ({ params, session }) => {
    const lesson = await ownLesson(db, params.lesson, session.instructor.id);
    const edition = await db
      .selectFrom('edition')
      .select(['number', 'revision'])
      .where('lesson_id', '=', lesson.id)
      .orderBy('number', 'desc')
      .executeTakeFirst();
    return {
      ...(await readStream(db, lesson.streamId, lessonStream, session.instructor.id)),
      id: lesson.id,
      course: { id: lesson.courseId, title: lesson.courseTitle },
      edition: edition ?? null,
    };
  });

  route(router, db, 'appendToDraft', async ({ params, body, session }) => {
    const lesson = await ownLesson(db, params.lesson, session.instructor.id);
    return appendSteps(db, lesson.streamId, session.instructor.id, body, lessonStream);
  });

  route(router, db, 'publish', async ({ params, body, session }) => {
    const lesson = await ownLesson(db, params.lesson, session.instructor.id);
    return publishEdition(db, lesson.id, body.revision, session.instructor.id);
  });

  return router;
}

/** @throws HttpProblem `not-found`, also where the lesson is another instructor's */
async function ownLesson(
  db: Db,
  id: string,
  instructor: string,
): Promise<{ id: string; streamId: string; courseId: string; courseTitle: string }> {
  const lesson = await db
    .selectFrom('lesson')
    .innerJoin('course', 'course.id', 'lesson.course_id')
    .where('lesson.id', '=', id)
    .where('course.instructor_id', '=', instructor)
    .select([
      'lesson.id',
      'lesson.stream_id as streamId',
      'course.id as courseId',
      'course.title as courseTitle',
    ])
    .executeTakeFirst();
  if (!lesson) throw new HttpProblem('not-found', toldByServer('lessonNotThere'));
  return lesson;
}
