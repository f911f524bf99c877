import { toldByServer, type Answer } from '@bogen/contract';
import { Router } from 'express';
import { sql } from 'kysely';
import { lessonFor } from '../course/access.js';
import type { Db } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';
import { route } from '../http/route.js';
import { appendSteps } from '../stream/append.js';
import { documentAt, readDocument, readStream } from '../stream/stream.js';
import { Gate } from '../pool/gate.js';
import type { Pool } from '../pool/pool.js';
import { draftStream, lessonStream } from './document.js';
import { aloneLesson } from './aloneLesson.js';
import { embeddedSheet, embeddingsOf, setEmbedding } from './embedding.js';
import { lessonFileOf } from './file.js';
import { lessonPage } from './lessonPage.js';
import { leavePresence, tellPresence } from './presence.js';
import { publishEdition } from './publish.js';

/** How many editions and days are listed. */
const mostListed = 100;

/** Drafts and their editions. */
export function lessonRouter(db: Db, pool: Pool, webFolder: string | undefined): Router {
  const router = Router();

  route(router, db, 'draft', async ({ params, session }) => {
    const lesson = await lessonFor(db, params.lesson, session.instructor.id);
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
    const lesson = await lessonFor(db, params.lesson, session.instructor.id);
    return appendSteps(
      db,
      lesson.streamId,
      session.instructor.id,
      body,
      draftStream(pool.of(session.instructor.id)),
    );
  });

  route(router, db, 'publish', async ({ params, body, session }) => {
    const lesson = await lessonFor(db, params.lesson, session.instructor.id);
    return publishEdition(db, lesson.id, body.revision, session.instructor.id);
  });

  route(router, db, 'lessonHistory', async ({ params, session }) => {
    const lesson = await lessonFor(db, params.lesson, session.instructor.id);
    const editions = await db
      .selectFrom('edition')
      .select(['number', 'revision', 'published_at as publishedAt'])
      .where('lesson_id', '=', lesson.id)
      .orderBy('number', 'desc')
      .limit(mostListed)
      .execute();
    const { rows: days } = await sql<{ day: string; revision: number; steps: number }>`
      select to_char(made_at, 'YYYY-MM-DD') as day, max(revision) as revision, count(*)::integer as steps
      from stream_step where stream_id = ${lesson.streamId} group by day order by day desc limit ${mostListed}
    `.execute(db);
    return {
      editions: editions.map((edition) => ({ ...edition, publishedAt: edition.publishedAt.toISOString() })),
      days,
    };
  });

  route(router, db, 'lessonAt', async ({ params, session }) => {
    const lesson = await lessonFor(db, params.lesson, session.instructor.id);
    const edition = await db
      .selectFrom('edition')
      .select('document')
      .where('lesson_id', '=', lesson.id)
      .where('revision', '=', params.revision)
      .executeTakeFirst();
    const document = edition
      ? lessonStream.read(edition.document)
      : await documentAt(db, lesson.streamId, draftStream(pool.of(session.instructor.id)), params.revision);
    if (!document) throw new HttpProblem('not-found', toldByServer('notKeptSoFar'));
    return { document };
  });

  route(router, db, 'presence', async ({ params, body, session }) => {
    const lesson = await lessonFor(db, params.lesson, session.instructor.id);
    if (body.isGone) {
      await leavePresence(db, lesson.id, body.page);
      return { others: [] };
    }
    const { page, sheet } = body;
    return {
      others: [...(await tellPresence(db, lesson.id, { page, sheet, name: session.instructor.name }))],
    };
  });

  route(router, db, 'lessonFile', async ({ params, session }) => {
    const lesson = await lessonFor(db, params.lesson, session.instructor.id);
    const { document } = await readDocument(db, lesson.streamId, lessonStream);
    return lessonFileOf(db, document);
  });

  route(router, db, 'embeddings', async ({ params, session }) => {
    const lesson = await lessonFor(db, params.lesson, session.instructor.id);
    return { sheets: await embeddingsOf(db, lesson.id) };
  });

  route(router, db, 'setEmbedding', async ({ params, body, session }) => {
    const lesson = await lessonFor(db, params.lesson, session.instructor.id);
    return { embedding: await setEmbedding(db, lesson.id, params.sheet, body.open) };
  });

  const showing = new Gate(4, 200);
  route(
    router,
    db,
    'embedded',
    ({ params }) => showing.pass(() => embeddedSheet(db, params.embedding)) as Promise<Answer<'embedded'>>,
  );

  route(router, db, 'lessonPage', async ({ params, session }) => {
    const found = await lessonFor(db, params.lesson, session.instructor.id);
    const lesson = await aloneLesson(db, found);
    return { title: lesson.reading.title, html: lessonPage(webFolder, lesson) };
  });

  return router;
}
