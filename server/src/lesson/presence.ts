import { sql } from 'kysely';
import type { Db } from '../db/connect.js';

/** A page on which a lesson is written. */
export interface PresentPage {
  readonly page: string;
  readonly name: string;
  readonly sheet: string;
}

/** How long a page counts as open after it was last heard of, in seconds. */
const fresh = 15;
/** The most pages of one lesson that are kept in mind. */
const mostPages = 20;

/**
 * A page says where it is. Who writes at which lesson just now stands in a table that the database need not keep safe,
 * for all processes; what was not heard of goes as others are.
 * @returns the others
 */
export async function tellPresence(
  db: Db,
  lesson: string,
  { page, name, sheet }: PresentPage,
): Promise<readonly PresentPage[]> {
  await sql`with gone as (
      delete from presence where seen_at < now() - ${fresh} * interval '1 second'
    )
    insert into presence (lesson_id, page, name, sheet)
    select ${lesson}, ${page}, ${name}, ${sheet}
    where (select count(*) from presence where lesson_id = ${lesson} and page <> ${page}) < ${mostPages}
    on conflict (lesson_id, page) do update set sheet = excluded.sheet, name = excluded.name, seen_at = now()`.execute(
    db,
  );
  return db
    .selectFrom('presence')
    .select(['page', 'name', 'sheet'])
    .where('lesson_id', '=', lesson)
    .where('page', '<>', page)
    .where('seen_at', '>=', sql<Date>`now() - ${fresh} * interval '1 second'`)
    .orderBy('seen_at')
    .limit(mostPages)
    .execute();
}

/** A page goes. */
export async function leavePresence(db: Db, lesson: string, page: string): Promise<void> {
  await db.deleteFrom('presence').where('lesson_id', '=', lesson).where('page', '=', page).execute();
}
