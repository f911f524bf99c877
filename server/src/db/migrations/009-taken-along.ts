import { sql, type Kysely } from 'kysely';

/** Work can be taken along from an earlier edition: it says from which. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw('alter table work add column taken_from uuid references edition on delete set null')
    .execute(db);
}
