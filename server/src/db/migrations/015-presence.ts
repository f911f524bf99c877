import { sql, type Kysely } from 'kysely';

/** Who writes at which lesson just now, for all processes; after a failure of the database it is empty, which is right. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `create unlogged table presence (
        lesson_id uuid not null references lesson (id) on delete cascade,
        page text not null,
        name text not null,
        sheet text not null,
        seen_at timestamptz not null default now(),
        primary key (lesson_id, page)
      )`,
    )
    .execute(db);
}
