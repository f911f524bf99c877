import type { Tx } from '../db/connect.js';
import { forgetCourses, forgetInAudit, forgetStudents } from './forget.js';

/** Erases an instructor with all courses that are still theirs. */
export async function eraseInstructor(
  tx: Tx,
  person: { id: string; name: string; email: string },
): Promise<void> {
  const courses = await tx.selectFrom('course').where('instructor_id', '=', person.id).select('id').execute();
  await forgetCourses(
    tx,
    courses.map(({ id }) => id),
  );
  await tx.deleteFrom('link').where('email', '=', person.email).execute();
  await forgetInAudit(tx, person.id, [person.name, person.email]);
  await tx.deleteFrom('instructor').where('id', '=', person.id).execute();
}

/** Erases a student with all work and their bench. */
export async function eraseStudent(tx: Tx, student: { id: string }): Promise<void> {
  await forgetInAudit(tx, student.id, []);
  await forgetStudents(tx, [student.id]);
}
