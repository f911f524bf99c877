import { toldByServer } from '@bogen/contract';
import type { Db, Tx } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';

export interface OwnLesson {
  readonly id: string;
  readonly streamId: string;
  readonly courseId: string;
  readonly courseTitle: string;
}

/**
 * A lesson of an instructor.
 * @throws HttpProblem `not-found`, also where the lesson is another instructor's or was deleted
 */
export async function ownLesson(db: Db | Tx, id: string, instructor: string): Promise<OwnLesson> {
  const lesson = await db
    .selectFrom('lesson')
    .innerJoin('course', 'course.id', 'lesson.course_id')
    .where('lesson.id', '=', id)
    .where('course.instructor_id', '=', instructor)
    .where('lesson.deleted_at', 'is', null)
    .where('course.deleted_at', 'is', null)
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

/** @throws HttpProblem `not-found`, also where the course is another instructor's or was deleted */
export async function refuseForeignCourse(db: Db | Tx, id: string, instructor: string): Promise<void> {
  const course = await db
    .selectFrom('course')
    .select('id')
    .where('id', '=', id)
    .where('instructor_id', '=', instructor)
    .where('deleted_at', 'is', null)
    .executeTakeFirst();
  if (!course) throw new HttpProblem('not-found', toldByServer('courseNotThere'));
}
