import { sql, type Kysely } from 'kysely';

/**
 * By whom that is drawn which is different for each student, where it is somebody else than the student: the reader of a
 * lesson that stands alone, or a student who turned out to be the same person.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql.raw(`alter table work add column drawn_by uuid`).execute(db);
}
