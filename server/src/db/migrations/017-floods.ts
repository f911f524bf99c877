import { sql, type Kysely } from 'kysely';

/** How much came from whom in a minute, as each process counted it; only what is much is written here. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `create unlogged table flood (
        minute timestamptz not null,
        key text not null,
        process uuid not null,
        count integer not null,
        primary key (minute, key, process)
      )`,
    )
    .execute(db);
}
