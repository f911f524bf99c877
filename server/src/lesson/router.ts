import { Router } from 'express';
import type { Db } from '../db/connect.js';
import { route } from '../http/route.js';
import { appendSteps, readDocument, readStream } from '../stream/stream.js';
import { lessonStream } from './document.js';
import { lessonFileOf } from './file.js';
import { ownLesson } from './own.js';
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

  route(router, db, 'lessonFile', async ({ params, session }) => {
    const lesson = await ownLesson(db, params.lesson, session.instructor.id);
    const { document } = await readDocument(db, lesson.streamId, lessonStream);
    return lessonFileOf(db, document);
  });

  return router;
}
