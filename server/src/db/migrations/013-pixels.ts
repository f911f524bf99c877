import { sql, type Kysely } from 'kysely';

/** An SVG to draw over, drawn into pixels, which is what readers get of it. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql.raw('alter table picture add column pixels bytea').execute(db);
}
