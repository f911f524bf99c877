import type { Db } from '../db/connect.js';

/** What somebody came to in a task in which a number counts, beside the class. */
export interface Best {
  readonly own: number;
  readonly ofClass: number;
  /** How many of the class have met the task. */
  readonly students: number;
}

/** The tasks of an edition in which a number counts and that a student has met, by sheet and task. */
export async function bestOf(
  db: Db,
  of: { readonly edition: string; readonly classId: string; readonly student: string },
): Promise<ReadonlyMap<string, ReadonlyMap<string, Best>>> {
  const rows = await db
    .selectFrom('task_state')
    .innerJoin('student', 'student.id', 'task_state.student_id')
    .where('edition_id', '=', of.edition)
    .where('student.class_id', '=', of.classId)
    .where('student.removed_at', 'is', null)
    .where('score', 'is not', null)
    .groupBy(['sheet_id', 'task_id'])
    .select(({ fn, eb }) => [
      'sheet_id as sheet',
      'task_id as task',
      fn.min('score').as('ofClass'),
      fn.countAll<string>().as('students'),
      fn
        .min('score')
        .filterWhere(eb('student_id', '=', of.student))
        .as('own'),
    ])
    .execute();
  const best = new Map<string, Map<string, Best>>();
  for (const { sheet, task, own, ofClass, students } of rows) {
    if (own === null || ofClass === null) continue;
    const tasks = best.get(sheet) ?? new Map<string, Best>();
    best.set(sheet, tasks.set(task, { own, ofClass, students: Number(students) }));
  }
  return best;
}
