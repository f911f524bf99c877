import type { Db } from '../db/connect.js';
import { benchOf } from './bench.js';

/** All that is kept of an instructor; long lists come row by row, and what goes in the meantime is passed over. */
export async function instructorData(db: Db, id: string): Promise<object> {
  const account = await db
    .selectFrom('instructor')
    .where('id', '=', id)
    .select(['name', 'email', 'role', 'made_at as madeAt', 'issuer', 'subject'])
    .executeTakeFirstOrThrow();
  return {
    kind: 'instructor',
    ...account,
    sessions: await db
      .selectFrom('session')
      .where('instructor_id', '=', id)
      .select(['browser', 'made_at as since', 'seen_at as seen'])
      .execute(),
    courses: coursesOf(db, id),
    bench: benchOf(db, 'instructor_id', id),
    pictures: picturesOf(db, id),
    audit: await db
      .selectFrom('audit')
      .where((where) => where.or([where('by_id', '=', id), where('to_id', '=', id)]))
      .orderBy('number', 'desc')
      .limit(10_000)
      .select(['at', 'by_name as by', 'action', 'to_name as to', 'detail'])
      .execute(),
  };
}

async function* coursesOf(db: Db, instructor: string): AsyncGenerator<object> {
  const courses = await db
    .selectFrom('course')
    .where('instructor_id', '=', instructor)
    .select(['id', 'title', 'made_at as madeAt'])
    .orderBy('place')
    .execute();
  for (const { id, ...course } of courses)
    yield {
      ...course,
      classes: await db
        .selectFrom('class')
        .where('course_id', '=', id)
        .select(['name', 'made_at as madeAt', 'closed_at as closedAt'])
        .execute(),
      glossary: await db
        .selectFrom('term')
        .where('course_id', '=', id)
        .select(['term', 'sentence'])
        .execute(),
      lessons: lessonsOf(db, id),
    };
}

async function* lessonsOf(db: Db, course: string): AsyncGenerator<object> {
  const rows = await db
    .selectFrom('lesson')
    .where('course_id', '=', course)
    .select(['id', 'stream_id'])
    .orderBy('place')
    .execute();
  for (const row of rows) {
    const draft = await db
      .selectFrom('stream')
      .where('id', '=', row.stream_id)
      .select('document')
      .executeTakeFirst();
    if (draft) yield { draft: draft.document, editions: editionsOf(db, row.id) };
  }
}

async function* editionsOf(db: Db, lesson: string): AsyncGenerator<object> {
  const rows = await db
    .selectFrom('edition')
    .where('lesson_id', '=', lesson)
    .select('id')
    .orderBy('number')
    .execute();
  for (const { id } of rows) {
    const edition = await db
      .selectFrom('edition')
      .where('id', '=', id)
      .select(['number', 'published_at as publishedAt', 'document'])
      .executeTakeFirst();
    if (edition) yield edition;
  }
}

async function* picturesOf(db: Db, instructor: string): AsyncGenerator<object> {
  const rows = await db.selectFrom('picture').where('instructor_id', '=', instructor).select('id').execute();
  for (const { id } of rows) {
    const picture = await db
      .selectFrom('picture')
      .where('id', '=', id)
      .select(['id', 'media_type as mediaType', 'made_at as madeAt', 'bytes'])
      .executeTakeFirst();
    if (!picture) continue;
    const { bytes, ...row } = picture;
    yield { ...row, base64: bytes.toString('base64') };
  }
}
