import { sql, type Kysely } from 'kysely';

/** How large each step is, so that what is handed out of a log is bounded before it is read. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `alter table stream_step add column bytes integer not null generated always as (
        coalesce(octet_length(command::text), 0) + coalesce(octet_length(inverse::text), 0)
          + coalesce(octet_length(effect::text), 0)
      ) stored`,
    )
    .execute(db);
}
