import type { Db } from '../db/connect.js';

/** The figures on somebody's bench, one by one. */
export async function* benchOf(
  db: Db,
  column: 'student_id' | 'instructor_id',
  id: string,
): AsyncGenerator<object> {
  const rows = await db.selectFrom('bench_figure').where(column, '=', id).select('id').execute();
  for (const row of rows) {
    const figure = await db
      .selectFrom('bench_figure')
      .where('id', '=', row.id)
      .select(['name', 'changed_at as changedAt', 'deleted_at as deletedAt', 'document as figure'])
      .executeTakeFirst();
    if (figure) yield figure;
  }
}
