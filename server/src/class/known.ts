import type { TaskAnswer, WorkFacts } from '@bogen/core/lesson';
import { sql } from 'kysely';
import type { Db } from '../db/connect.js';
import type { Outline } from '../lesson/outline.js';

export interface EditionOfClass {
  readonly id: string;
  readonly lesson: string;
  readonly number: number;
  readonly outline: Outline;
}

/** All editions of the lessons of a class's course: lessons in course order, the newest edition first. */
export async function editionsOfClass(
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
export interface Known {
  readonly work: readonly WorkRow[];
  readonly tasks: readonly TaskRow[];
}

export async function knownOf(
  db: Db,
  { students, editions }: { students: readonly string[]; editions?: readonly string[] },
): Promise<Known> {
  const inEditions = editions ?? null;
  const [work, tasks] = await Promise.all([
    db
      .selectFrom('work')
      .innerJoin('stream', 'stream.id', 'work.stream_id')
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
      .where(sql<boolean>`work.student_id = any(${students}::uuid[])`)
      .where(sql<boolean>`(${inEditions}::uuid[] is null or work.edition_id = any(${inEditions}::uuid[]))`)
      .orderBy('work.opened_at')
      .execute(),
    db
      .selectFrom('task_state')
      .select([
        'student_id as student',
        'edition_id as editionId',
        'sheet_id as sheet',
        'task_id as task',
        'attempts',
        'passed_at as passedAt',
        'answer',
      ])
      .where(sql<boolean>`student_id = any(${students}::uuid[])`)
      .where(sql<boolean>`(${inEditions}::uuid[] is null or edition_id = any(${inEditions}::uuid[]))`)
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

export const ofEdition = ({ work, tasks }: Known, id: string): Known => ({
  work: work.filter(({ editionId }) => editionId === id),
  tasks: tasks.filter(({ editionId }) => editionId === id),
});

export const ofStudent = ({ work, tasks }: Known, id: string): Known => ({
  work: work.filter(({ student }) => student === id),
  tasks: tasks.filter(({ student }) => student === id),
});

/** What is known of one sheet, all its stages and tasks together. */
export function factsOf(sheet: string, known: Known): WorkFacts {
  const work = known.work.filter((row) => row.sheet === sheet);
  const tasks = known.tasks.filter((row) => row.sheet === sheet);
  return {
    isOpened: work.length > 0,
    isChanged: work.some(({ revision }) => revision > 0),
    attempts: tasks.reduce((sum, { attempts }) => sum + attempts, 0),
    passed: tasks.filter(({ passed }) => passed).map(({ task }) => task),
  };
}

/** What was answered last to the tasks of a sheet. */
export const answersOf = (sheet: string, { tasks }: Known): Record<string, TaskAnswer> =>
  Object.fromEntries(
    tasks.flatMap((row) => (row.sheet === sheet && row.answer ? [[row.task, row.answer]] : [])),
  );
