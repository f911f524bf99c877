import { sql, type Kysely } from 'kysely';

/** What is loaded into a new database, and when that was done: loading that was cut off is begun anew. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `create table loaded (
        name text primary key,
        began_at timestamptz not null default clock_timestamp(),
        done_at timestamptz
      )`,
    )
    .execute(db);
}
