import { toldByServer } from '@bogen/contract';
import { sql, type Expression, type ExpressionBuilder, type SqlBool } from 'kysely';
import type { Db, Tx } from '../db/connect.js';
import type { Database } from '../db/schema.js';
import { HttpProblem } from '../http/problem.js';

/**
 * What an instructor may do with a course and all that is in it: its owner everything; a co-instructor may write its
 * lessons and see its classes. Everything about courses, lessons and classes asks here.
 */
export type Right = 'write' | 'own';

/** The condition that a row of `course` is one that an instructor may write, or owns. */
export function mayCourse(
  where: ExpressionBuilder<Database, 'course'>,
  instructor: string,
  right: Right,
): Expression<SqlBool> {
  const own = where('course.instructor_id', '=', instructor);
  if (right === 'own') return own;
  return where.or([
    own,
    where.exists(
      where
        .selectFrom('course_instructor')
        .whereRef('course_instructor.course_id', '=', 'course.id')
        .where('course_instructor.instructor_id', '=', instructor)
        .select('course_instructor.course_id'),
    ),
  ]);
}

export interface FoundCourse {
  readonly id: string;
  readonly title: string;
  readonly owner: string;
}

/**
 * A course of an instructor.
 * @throws HttpProblem `not-found`, also where the course is another instructor's or was deleted; `not-allowed` where
 *   only its owner may do this
 */
export async function courseFor(
  db: Db | Tx,
  id: string,
  instructor: string,
  right: Right,
): Promise<FoundCourse> {
  const course = await db
    .selectFrom('course')
    .select(['id', 'title', 'instructor_id as owner'])
    .where('id', '=', id)
    .where((where) => mayCourse(where, instructor, 'write'))
    .where('deleted_at', 'is', null)
    .executeTakeFirst();
  if (!course) throw new HttpProblem('not-found', toldByServer('courseNotThere'));
  refuseOther(course.owner, instructor, right);
  return course;
}

export interface FoundLesson {
  readonly id: string;
  readonly streamId: string;
  readonly courseId: string;
  readonly courseTitle: string;
  readonly owner: string;
}

/**
 * A lesson of an instructor, to be written.
 * @throws HttpProblem as `courseFor` does
 */
export async function lessonFor(
  db: Db | Tx,
  id: string,
  instructor: string,
  right: Right = 'write',
): Promise<FoundLesson> {
  const lesson = await db
    .selectFrom('lesson')
    .innerJoin('course', 'course.id', 'lesson.course_id')
    .where('lesson.id', '=', id)
    .where((where) => mayCourse(where, instructor, 'write'))
    .where('lesson.deleted_at', 'is', null)
    .where('course.deleted_at', 'is', null)
    .select([
      'lesson.id',
      'lesson.stream_id as streamId',
      'course.id as courseId',
      'course.title as courseTitle',
      'course.instructor_id as owner',
    ])
    .executeTakeFirst();
  if (!lesson) throw new HttpProblem('not-found', toldByServer('lessonNotThere'));
  refuseOther(lesson.owner, instructor, right);
  return lesson;
}

export interface FoundClass {
  readonly id: string;
  readonly name: string;
  readonly code: string;
  readonly courseId: string;
  readonly isOwn: boolean;
  readonly closedAt: Date | null;
  readonly isArchived: boolean;
  readonly daysKept: number | null;
}

/**
 * A class of an instructor.
 * @throws HttpProblem as `courseFor` does
 */
export async function classFor(
  db: Db | Tx,
  id: string,
  instructor: string,
  right: Right,
): Promise<FoundClass> {
  const found = await db
    .selectFrom('class')
    .innerJoin('course', 'course.id', 'class.course_id')
    .where('class.id', '=', id)
    .where((where) => mayCourse(where, instructor, 'write'))
    .where('class.deleted_at', 'is', null)
    .where('course.deleted_at', 'is', null)
    .select([
      'class.id',
      'class.name',
      'class.code',
      'course.id as courseId',
      'course.instructor_id as owner',
      'class.closed_at as closedAt',
      sql<boolean>`class.archived_at is not null`.as('isArchived'),
      'class.days_kept as daysKept',
    ])
    .executeTakeFirst();
  if (!found) throw new HttpProblem('not-found', toldByServer('classNotThere'));
  refuseOther(found.owner, instructor, right);
  const { owner, ...rest } = found;
  return { ...rest, isOwn: owner === instructor };
}

function refuseOther(owner: string, instructor: string, right: Right): void {
  if (right === 'own' && owner !== instructor)
    throw new HttpProblem('not-allowed', toldByServer('onlyOwner'));
}

/** @throws HttpProblem `refused` where nobody here has the address */
export async function instructorAt(
  db: Db | Tx,
  email: string,
): Promise<{ id: string; name: string; email: string }> {
  const found = await db
    .selectFrom('instructor')
    .select(['id', 'name', 'email'])
    .where('email', '=', email)
    .executeTakeFirst();
  if (!found) throw new HttpProblem('refused', toldByServer('noInstructorAt', { email }));
  return found;
}
