import { toldByServer } from '@bogen/contract';
import { migrateFigure, type FigureDocument } from '@bogen/core/figure';
import { migrateLesson, sheetOf, type LessonDocument } from '@bogen/core/lesson';
import { Router } from 'express';
import { sql } from 'kysely';
import type { Db } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';
import { route } from '../http/route.js';
import type { Outline } from '../lesson/outline.js';
import { progressOf, type WorkFacts } from '../work/progress.js';
import { workStream } from '../work/router.js';

/** A class: what its students read, and what its instructor sees of them. */
export function classRouter(db: Db): Router {
  const router = Router();

  route(router, db, 'classHome', async ({ session }) => {
    const { student } = session;
    const { courseTitle, editions } = await editionsOfClass(db, student.classId);
    const work = await workOf(db, { student: student.id });
    const begun = new Set(work.map(({ editionId }) => editionId));
    const lessons = [...new Set(editions.map(({ lesson }) => lesson))].map((lesson) =>
      chooseEdition(
        editions.filter((edition) => edition.lesson === lesson),
        begun,
      ),
    );
    const figures = await firstFigures(
      db,
      lessons.map(({ id }) => id),
    );
    return {
      className: student.className,
      courseTitle,
      lessons: lessons.map(({ id, lesson, number, outline }) => ({
        id: lesson,
        title: outline.title,
        edition: number,
        otherEditions: editions
          .filter((other) => other.lesson === lesson && other.id !== id && begun.has(other.id))
          .map((other) => other.number),
        firstFigure: figures.get(id)!,
        sheets: progressOfSheets(
          outline,
          work.filter(({ editionId }) => editionId === id),
        ),
      })),
    };
  });

  route(router, db, 'readLesson', async ({ params, query, session }) => {
    const { student } = session;
    const { courseTitle, editions } = await editionsOfClass(db, student.classId, params.lesson);
    if (editions.length === 0) {
      throw new HttpProblem('not-found', toldByServer('lessonNotInClass'));
    }
    const work = await workOf(db, { student: student.id });
    const begun = new Set(work.map(({ editionId }) => editionId));
    const chosen = query.edition
      ? editions.find(({ number }) => number === query.edition)
      : chooseEdition(editions, begun);
    if (!chosen) throw new HttpProblem('not-found', toldByServer('noEdition', { edition: query.edition! }));
    const document = await editionDocument(db, chosen.id);
    return {
      lesson: params.lesson,
      title: document.title,
      courseTitle,
      edition: { id: chosen.id, number: chosen.number },
      newestEdition: editions[0]!.number,
      sheets: document.sheets,
      progress: progressOfSheets(
        chosen.outline,
        work.filter(({ editionId }) => editionId === chosen.id),
      ),
    };
  });

  route(router, db, 'desk', async ({ params, session }) => {
    const found = await ownClass(db, params.class, session.instructor.id);
    const { courseTitle, editions } = await editionsOfClass(db, found.id);
    const students = await db
      .selectFrom('student')
      .select(['id', 'name', 'last_seen'])
      .where('class_id', '=', found.id)
      .orderBy('name')
      .execute();
    const work = await workOf(db, { class: found.id });
    const newest = [...new Set(editions.map(({ lesson }) => lesson))].map((lesson) =>
      editions.find((edition) => edition.lesson === lesson)!,
    );
    return {
      className: found.name,
      code: found.code,
      courseTitle,
      lessons: newest.map(({ lesson, number, outline: { title, sheets } }) => ({
        id: lesson,
        title,
        edition: number,
        sheets: [...sheets],
      })),
      students: students.map(({ id, name, last_seen }) => ({
        id,
        name,
        lastSeen: work.some(({ student }) => student === id) ? last_seen.toISOString() : null,
        work: work
          .filter(({ student }) => student === id)
          .map((row) => {
            const edition = editions.find((other) => other.id === row.editionId);
            const sheet = edition?.outline.sheets.find(({ id: known }) => known === row.sheet);
            return {
              id: row.id,
              lesson: edition?.lesson ?? row.id,
              sheet: row.sheet,
              edition: edition?.number ?? 1,
              progress: progressOf(sheet?.hasTask ?? false, row),
              attempts: row.attempts,
            };
          }),
      })),
    };
  });

  route(router, db, 'studentWork', async ({ params, session }) => {
    const found = await ownClass(db, params.class, session.instructor.id);
    const row = await db
      .selectFrom('work')
      .innerJoin('student', 'student.id', 'work.student_id')
      .innerJoin('edition', 'edition.id', 'work.edition_id')
      .innerJoin('stream', 'stream.id', 'work.stream_id')
      .where('work.id', '=', params.work)
      .where('student.class_id', '=', found.id)
      .select([
        'student.name as student',
        'work.sheet_id as sheet',
        'work.attempts',
        'work.passed_at as passedAt',
        'edition.number',
        'edition.document as lesson',
        'stream.document as figure',
        'stream.revision',
        'stream.changed_at as changedAt',
      ])
      .executeTakeFirst();
    const lesson = row && migrateLesson(row.lesson);
    const sheet = lesson && sheetOf(lesson, row.sheet);
    if (!sheet) throw new HttpProblem('not-found', toldByServer('workNotThere'));
    return {
      student: row.student,
      className: found.name,
      lesson: lesson.title,
      edition: row.number,
      sheet,
      document: workStream.read(row.figure),
      revision: row.revision,
      changedAt: row.revision > 0 ? row.changedAt.toISOString() : null,
      attempts: row.attempts,
      progress: progressOf(sheet.task !== null, { ...row, passed: row.passedAt !== null }),
    };
  });

  return router;
}

interface EditionOfClass {
  readonly id: string;
  readonly lesson: string;
  readonly number: number;
  readonly outline: Outline;
}

/** All editions of the lessons of a class's course: lessons in course order, the newest edition first. */
async function editionsOfClass(
  db: Db,
  classId: string,
  lessonId?: string,
): Promise<{ courseTitle: string; editions: EditionOfClass[] }> {
  const course = await db
    .selectFrom('class')
    .innerJoin('course', 'course.id', 'class.course_id')
    .where('class.id', '=', classId)
    .select(['course.id', 'course.title'])
    .executeTakeFirstOrThrow();
  let query = db
    .selectFrom('edition')
    .innerJoin('lesson', 'lesson.id', 'edition.lesson_id')
    .where('lesson.course_id', '=', course.id)
    .select(['edition.id', 'lesson.id as lesson', 'edition.number', 'edition.outline'])
    .orderBy('lesson.made_at')
    .orderBy('edition.number', 'desc');
  if (lessonId) query = query.where('lesson.id', '=', lessonId);
  const rows = await query.execute();
  return {
    courseTitle: course.title,
    editions: rows.map((row) => ({ ...row, outline: row.outline as Outline })),
  };
}

/** The newest edition that the student has begun, or else the newest. `editions` has the newest first. */
function chooseEdition(editions: readonly EditionOfClass[], begun: ReadonlySet<string>): EditionOfClass {
  return editions.find(({ id }) => begun.has(id)) ?? editions[0]!;
}

interface WorkRow extends WorkFacts {
  readonly id: string;
  readonly student: string;
  readonly editionId: string;
  readonly sheet: string;
}

async function workOf(db: Db, of: { student: string } | { class: string }): Promise<WorkRow[]> {
  const query = db
    .selectFrom('work')
    .innerJoin('stream', 'stream.id', 'work.stream_id')
    .innerJoin('student', 'student.id', 'work.student_id')
    .select([
      'work.id',
      'work.student_id as student',
      'work.edition_id as editionId',
      'work.sheet_id as sheet',
      'work.attempts',
      'work.passed_at as passedAt',
      'stream.revision',
    ])
    .orderBy('work.opened_at');
  const rows = await (
    'student' in of
      ? query.where('work.student_id', '=', of.student)
      : query.where('student.class_id', '=', of.class)
  ).execute();
  return rows.map(({ passedAt, ...row }) => ({ ...row, passed: passedAt !== null }));
}

function progressOfSheets({ sheets }: Outline, work: readonly WorkRow[]) {
  return sheets.map(({ id, title, hasTask }) => {
    const own = work.find((row) => row.sheet === id);
    return {
      sheet: id,
      title,
      hasTask,
      progress: progressOf(hasTask, own),
      moved: own !== undefined && own.revision > 0,
    };
  });
}

async function editionDocument(db: Db, id: string): Promise<LessonDocument> {
  const { document } = await db
    .selectFrom('edition')
    .select('document')
    .where('id', '=', id)
    .executeTakeFirstOrThrow();
  return migrateLesson(document);
}

/** The figures of the first sheets of editions, taken out by the database. */
async function firstFigures(db: Db, ids: readonly string[]): Promise<ReadonlyMap<string, FigureDocument>> {
  if (ids.length === 0) return new Map();
  const rows = await db
    .selectFrom('edition')
    .select(['id', sql<unknown>`document -> 'sheets' -> 0 -> 'figure'`.as('figure')])
    .where('id', 'in', ids)
    .execute();
  return new Map(rows.map(({ id, figure }) => [id, migrateFigure(figure) as unknown as FigureDocument]));
}

async function ownClass(
  db: Db,
  id: string,
  instructor: string,
): Promise<{ id: string; name: string; code: string }> {
  const found = await db
    .selectFrom('class')
    .innerJoin('course', 'course.id', 'class.course_id')
    .where('class.id', '=', id)
    .where('course.instructor_id', '=', instructor)
    .select(['class.id', 'class.name', 'class.code'])
    .executeTakeFirst();
  if (!found) throw new HttpProblem('not-found', toldByServer('classNotThere'));
  return found;
}
