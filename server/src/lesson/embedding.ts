import { toldByServer, type AloneLesson, type Answer } from '@bogen/contract';
import type { RequestHandler } from 'express';
import type { Db } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';
import { aloneLesson } from './aloneLesson.js';
import type { Outline } from './outline.js';

type Sheets = Answer<'embeddings'>['sheets'];

/** The sheets of the newest edition, and which of them may be shown within other pages. */
export async function embeddingsOf(db: Db, lesson: string): Promise<Sheets> {
  const edition = await db
    .selectFrom('edition')
    .select('outline')
    .where('lesson_id', '=', lesson)
    .orderBy('number', 'desc')
    .executeTakeFirst();
  const open = await db
    .selectFrom('embedding')
    .select(['id', 'sheet'])
    .where('lesson_id', '=', lesson)
    .execute();
  const { sheets = [] } = (edition?.outline ?? {}) as Partial<Outline>;
  return sheets.map(({ id, title }) => ({
    id,
    title,
    embedding: open.find(({ sheet }) => sheet === id)?.id ?? null,
  }));
}

/** Opens a sheet for other pages, or closes it. @returns what its address carries */
export async function setEmbedding(
  db: Db,
  lesson: string,
  sheet: string,
  open: boolean,
): Promise<string | null> {
  if (!open) {
    await db.deleteFrom('embedding').where('lesson_id', '=', lesson).where('sheet', '=', sheet).execute();
    return null;
  }
  const known = (await embeddingsOf(db, lesson)).find(({ id }) => id === sheet);
  if (!known) throw new HttpProblem('refused', toldByServer('sheetNotPublished'));
  const { id } = await db
    .insertInto('embedding')
    .values({ lesson_id: lesson, sheet })
    // Opened twice it keeps its address.
    .onConflict((conflict) => conflict.columns(['lesson_id', 'sheet']).doUpdateSet({ sheet }))
    .returning('id')
    .executeTakeFirstOrThrow();
  return id;
}

function embeddingBy(db: Db, id: string) {
  return db
    .selectFrom('embedding')
    .innerJoin('lesson', 'lesson.id', 'embedding.lesson_id')
    .innerJoin('course', 'course.id', 'lesson.course_id')
    .where('embedding.id', '=', id)
    .where('lesson.deleted_at', 'is', null)
    .where('course.deleted_at', 'is', null)
    .select(['lesson.id', 'embedding.sheet', 'course.id as courseId', 'course.title as courseTitle'])
    .executeTakeFirst();
}

/** The sheet that an address names, with all that its reader needs. @throws HttpProblem where it is not open */
export async function embeddedSheet(db: Db, id: string): Promise<AloneLesson> {
  const found = await embeddingBy(db, id);
  const lesson = found && (await aloneLesson(db, found, found.sheet));
  if (!lesson || lesson.reading.sheets.length === 0)
    throw new HttpProblem('not-found', toldByServer('notEmbedded'));
  return lesson;
}

/** Lets other pages show the page of a sheet that is open for that, and of no other. */
export function allowFrames(db: Db, allowed: RequestHandler, otherwise: RequestHandler): RequestHandler {
  return async (request, response, next) => {
    const id = String(request.params['embedding']);
    const isOpen = /^[\da-f-]{36}$/i.test(id) && (await embeddingBy(db, id)) !== undefined;
    return (isOpen ? allowed : otherwise)(request, response, next);
  };
}
