import { sql, type Kysely } from 'kysely';

/** Sheets that may be shown within other pages; the id is what their address carries, and can't be guessed. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `create table embedding (
        id uuid primary key default gen_random_uuid(),
        lesson_id uuid not null references lesson on delete cascade,
        sheet text not null,
        opened_at timestamptz not null default now(),
        unique (lesson_id, sheet)
      )`,
    )
    .execute(db);
}
