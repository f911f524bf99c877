import { toldByServer } from '@bogen/contract';
import { migrateFigure, type FigureDocument } from '@bogen/core/figure';
import {
  migrateLesson,
  sheetOf,
  type LessonDocument,
  type Sheet,
  type Task,
  type TaskAnswer,
} from '@bogen/core/lesson';
import { Router } from 'express';
import { sql } from 'kysely';
import type { Db } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';
import { route } from '../http/route.js';
import { termsOf } from '../glossary/router.js';
import type { Outline } from '../lesson/outline.js';
import type { Pool } from '../pool/pool.js';
import { sheetOfStudent, sheetsOf } from '../work/ownSheets.js';
import { progressOf, type WorkFacts } from '../work/progress.js';
import { startOf, workStream } from '../work/router.js';
import { takeWorkAlong } from '../work/takeAlong.js';

/** A class: what its students read, and what its instructor sees of them. */
export function classRouter(db: Db, pool: Pool): Router {
  const router = Router();

  route(router, db, 'classHome', async ({ session }) => {
    const { student } = session;
    const { courseTitle, editions } = await editionsOfClass(db, student.classId);
    const known = await knownOf(db, { student: student.id });
    const begun = new Set(known.work.map(({ editionId }) => editionId));
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
        sheets: progressOfSheets(outline, ofEdition(known, id)),
      })),
    };
  });

  route(router, db, 'readLesson', async ({ params, query, session }) => {
    const { student } = session;
    const { courseId, courseTitle, editions } = await editionsOfClass(db, student.classId, params.lesson);
    if (editions.length === 0) {
      throw new HttpProblem('not-found', toldByServer('lessonNotInClass'));
    }
    let known = await knownOf(db, { student: student.id });
    const begun = new Set(known.work.map(({ editionId }) => editionId));
    const chosen = query.edition
      ? editions.find(({ number }) => number === query.edition)
      : chooseEdition(editions, begun);
    if (!chosen) throw new HttpProblem('not-found', toldByServer('noEdition', { edition: query.edition! }));
    const document = await editionDocument(db, chosen.id);
    const earlier = editions.find(({ id, number }) => number < chosen.number && begun.has(id));
    if (earlier && !begun.has(chosen.id)) {
      await takeWorkAlong(db, student.id, earlier.id, { id: chosen.id, document });
      known = await knownOf(db, { student: student.id });
    }
    return {
      lesson: params.lesson,
      title: document.title,
      courseTitle,
      edition: { id: chosen.id, number: chosen.number },
      newestEdition: editions[0]!.number,
      terms: await termsOf(db, courseId),
      ...(document.notation && { notation: document.notation }),
      sheets: (await sheetsOf(pool, document.sheets, student.id)).map(forReaders),
      progress: progressOfSheets(chosen.outline, ofEdition(known, chosen.id)).map((sheet) => ({
        ...sheet,
        earlier: leftBehind(
          sheet.sheet,
          chosen,
          editions.filter(({ number }) => number < chosen.number),
          known,
        ),
      })),
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
    const known = await knownOf(db, { class: found.id });
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
        sheets: sheets.map((sheet) => ({ ...sheet, tasks: [...sheet.tasks] })),
      })),
      students: students.map(({ id, name, last_seen }) => {
        const own = ofStudent(known, id);
        return {
          id,
          name,
          lastSeen: own.work.length > 0 ? last_seen.toISOString() : null,
          work: editions.flatMap((edition) => {
            const { work, tasks } = ofEdition(own, edition.id);
            return edition.outline.sheets.flatMap((sheet) => {
              const newest = work
                .filter((row) => row.sheet === sheet.id)
                .toSorted((a, b) => Number(a.changedAt) - Number(b.changedAt))
                .at(-1);
              if (!newest) return [];
              const facts = factsOf(sheet.id, { work, tasks });
              return [
                {
                  id: newest.id,
                  lesson: edition.lesson,
                  sheet: sheet.id,
                  edition: edition.number,
                  progress: progressOf(sheet.tasks, facts),
                  attempts: facts.attempts,
                },
              ];
            });
          }),
        };
      }),
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
        'student.id as studentId',
        'work.edition_id as editionId',
        'work.sheet_id as sheet',
        'work.stage',
        'work.stream_id as streamId',
        'edition.number',
        'edition.document as lesson',
        'stream.document as figure',
        'stream.revision',
        'stream.changed_at as changedAt',
      ])
      .executeTakeFirst();
    const lesson = row && migrateLesson(row.lesson);
    const published = lesson && sheetOf(lesson, row.sheet);
    if (!published) throw new HttpProblem('not-found', toldByServer('workNotThere'));
    const sheet = await sheetOfStudent(pool, published, row.studentId);
    const own = ofEdition(await knownOf(db, { student: row.studentId }), row.editionId);
    const facts = factsOf(sheet.id, own);
    return {
      student: row.student,
      className: found.name,
      lesson: lesson.title,
      edition: row.number,
      ...(lesson.notation && { notation: lesson.notation }),
      sheet,
      stage: row.stage,
      stages: sheet.stages.flatMap(({ id }) =>
        own.work
          .filter((work) => work.sheet === sheet.id && work.stage === id)
          .map((work) => ({ work: work.id, stage: id })),
      ),
      start: await startOf(db, row.streamId),
      document: workStream.read(row.figure),
      revision: row.revision,
      changedAt: row.revision > 0 ? row.changedAt.toISOString() : null,
      attempts: facts.attempts,
      answers: answersOf(sheet.id, own),
      progress: progressOf(
        sheet.tasks.map(({ id }) => id),
        facts,
      ),
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
): Promise<{ courseId: string; courseTitle: string; editions: EditionOfClass[] }> {
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
    .where('lesson.deleted_at', 'is', null)
    .select(['edition.id', 'lesson.id as lesson', 'edition.number', 'edition.outline'])
    .orderBy('lesson.place')
    .orderBy('lesson.id')
    .orderBy('edition.number', 'desc');
  if (lessonId) query = query.where('lesson.id', '=', lessonId);
  const rows = await query.execute();
  return {
    courseId: course.id,
    courseTitle: course.title,
    editions: rows.map((row) => ({ ...row, outline: row.outline as Outline })),
  };
}

/** The newest edition that the student has begun, or else the newest. `editions` has the newest first. */
function chooseEdition(editions: readonly EditionOfClass[], begun: ReadonlySet<string>): EditionOfClass {
  return editions.find(({ id }) => begun.has(id)) ?? editions[0]!;
}

interface WorkRow {
  readonly id: string;
  readonly student: string;
  readonly editionId: string;
  readonly sheet: string;
  readonly stage: string;
  readonly revision: number;
  readonly changedAt: Date;
  readonly isTakenAlong: boolean;
}

interface TaskRow {
  readonly student: string;
  readonly editionId: string;
  readonly sheet: string;
  readonly task: string;
  readonly attempts: number;
  readonly passed: boolean;
  readonly answer: TaskAnswer | null;
}

/** The work that was begun and the tasks that were tried. */
interface Known {
  readonly work: readonly WorkRow[];
  readonly tasks: readonly TaskRow[];
}

async function knownOf(db: Db, of: { student: string } | { class: string }): Promise<Known> {
  const [column, value] =
    'student' in of ? (['student.id', of.student] as const) : (['student.class_id', of.class] as const);
  const [work, tasks] = await Promise.all([
    db
      .selectFrom('work')
      .innerJoin('stream', 'stream.id', 'work.stream_id')
      .innerJoin('student', 'student.id', 'work.student_id')
      .select([
        'work.id',
        'work.student_id as student',
        'work.edition_id as editionId',
        'work.sheet_id as sheet',
        'work.stage',
        'stream.revision',
        'stream.changed_at as changedAt',
        sql<boolean>`work.taken_from is not null`.as('isTakenAlong'),
      ])
      .where(column, '=', value)
      .orderBy('work.opened_at')
      .execute(),
    db
      .selectFrom('task_state')
      .innerJoin('student', 'student.id', 'task_state.student_id')
      .select([
        'student_id as student',
        'edition_id as editionId',
        'sheet_id as sheet',
        'task_id as task',
        'attempts',
        'passed_at as passedAt',
        'answer',
      ])
      .where(column, '=', value)
      .execute(),
  ]);
  return {
    work,
    tasks: tasks.map(({ passedAt, answer, ...row }) => ({
      ...row,
      passed: passedAt !== null,
      answer: answer as TaskAnswer | null,
    })),
  };
}

const ofEdition = ({ work, tasks }: Known, id: string): Known => ({
  work: work.filter(({ editionId }) => editionId === id),
  tasks: tasks.filter(({ editionId }) => editionId === id),
});

const ofStudent = ({ work, tasks }: Known, id: string): Known => ({
  work: work.filter(({ student }) => student === id),
  tasks: tasks.filter(({ student }) => student === id),
});

/** What is known of one sheet, all its stages and tasks together. */
function factsOf(sheet: string, known: Known): WorkFacts {
  const work = known.work.filter((row) => row.sheet === sheet);
  const tasks = known.tasks.filter((row) => row.sheet === sheet);
  return {
    isOpened: work.length > 0,
    isChanged: work.some(({ revision }) => revision > 0),
    attempts: tasks.reduce((sum, { attempts }) => sum + attempts, 0),
    passed: tasks.filter(({ passed }) => passed).map(({ task }) => task),
  };
}

/** The newest earlier edition with work on a sheet that was not taken along, since its stage changed. */
function leftBehind(
  sheet: string,
  chosen: EditionOfClass,
  earlier: readonly EditionOfClass[],
  { work }: Known,
): number | null {
  const here = work.filter((row) => row.editionId === chosen.id && row.sheet === sheet);
  const left = earlier.find(({ id }) =>
    work.some(
      (row) =>
        row.editionId === id &&
        row.sheet === sheet &&
        row.revision > 0 &&
        !here.some(({ stage, isTakenAlong }) => stage === row.stage && isTakenAlong),
    ),
  );
  return left?.number ?? null;
}

/** What was answered last to the tasks of a sheet. */
const answersOf = (sheet: string, { tasks }: Known): Record<string, TaskAnswer> =>
  Object.fromEntries(
    tasks.flatMap((row) => (row.sheet === sheet && row.answer ? [[row.task, row.answer]] : [])),
  );

function progressOfSheets({ sheets }: Outline, known: Known) {
  return sheets.map(({ id, title, tasks }) => {
    const facts = factsOf(id, known);
    return {
      sheet: id,
      title,
      progress: progressOf(tasks, facts),
      moved: known.work
        .filter(({ sheet, revision }) => sheet === id && revision > 0)
        .map(({ stage }) => stage),
      passed: [...facts.passed],
      answers: answersOf(id, known),
    };
  });
}

/** A sheet as students get it: without what the instructor says to its stages, and what was drawn for them being as drawn. */
function forReaders(sheet: Sheet): Sheet {
  return {
    ...sheet,
    stages: sheet.stages.map(({ notes: _, ...stage }) => stage),
    tasks: sheet.tasks.map(({ varied: _, ...task }) => task as Task),
  };
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
    .where('course.deleted_at', 'is', null)
    .select(['class.id', 'class.name', 'class.code'])
    .executeTakeFirst();
  if (!found) throw new HttpProblem('not-found', toldByServer('classNotThere'));
  return found;
}
