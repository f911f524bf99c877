import { sql } from 'kysely';
import type { Tx } from '../db/connect.js';

/**
 * Removing for good. A lesson and a piece of work each have a log of their own, which the database does not remove
 * with them, since the log is what they are about: here both go together. So many at a time, that nothing grows with
 * the size of a class.
 */

/** Removes students with their work and their benches. */
export async function forgetStudents(tx: Tx, students: readonly string[]): Promise<void> {
  if (students.length === 0) return;
  const work = await tx.selectFrom('work').where('student_id', 'in', students).select('stream_id').execute();
  await tx.deleteFrom('student').where('id', 'in', students).execute();
  await forgetStreams(
    tx,
    work.map(({ stream_id }) => stream_id),
  );
}

/** Removes lessons with their editions and all work on them. */
export async function forgetLessons(tx: Tx, lessons: readonly string[]): Promise<void> {
  if (lessons.length === 0) return;
  const own = await tx.selectFrom('lesson').where('id', 'in', lessons).select('stream_id').execute();
  const work = await tx
    .selectFrom('work')
    .innerJoin('edition', 'edition.id', 'work.edition_id')
    .where('edition.lesson_id', 'in', lessons)
    .select('work.stream_id')
    .execute();
  await tx.deleteFrom('lesson').where('id', 'in', lessons).execute();
  await forgetStreams(
    tx,
    [...own, ...work].map(({ stream_id }) => stream_id),
  );
}

/** Removes courses with their lessons, classes and students. */
export async function forgetCourses(tx: Tx, courses: readonly string[]): Promise<void> {
  if (courses.length === 0) return;
  const students = await tx
    .selectFrom('student')
    .innerJoin('class', 'class.id', 'student.class_id')
    .where('class.course_id', 'in', courses)
    .select('student.id')
    .execute();
  await forgetStudents(
    tx,
    students.map(({ id }) => id),
  );
  const lessons = await tx.selectFrom('lesson').where('course_id', 'in', courses).select('id').execute();
  await forgetLessons(
    tx,
    lessons.map(({ id }) => id),
  );
  await tx.deleteFrom('course').where('id', 'in', courses).execute();
}

/** Takes a person's names out of the audit log; what was done stays. */
export async function forgetInAudit(tx: Tx, id: string, names: readonly string[]): Promise<void> {
  await tx.updateTable('audit').set({ by_name: null }).where('by_id', '=', id).execute();
  await tx.updateTable('audit').set({ to_name: null, detail: null }).where('to_id', '=', id).execute();
  if (names.length === 0) return;
  await tx
    .updateTable('audit')
    .set({ to_name: null })
    .where('to_id', 'is', null)
    .where('to_name', 'in', names)
    .execute();
}

/** Removes what was done to figures or lessons, whose work or lesson is gone. */
export async function forgetStreams(tx: Tx, streams: readonly string[]): Promise<void> {
  // Given as one array: a list of single values would have an end.
  if (streams.length > 0)
    await sql`delete from stream where id = any(${streams as string[]}::uuid[])`.execute(tx);
}
