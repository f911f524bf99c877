import { sql, type Kysely } from 'kysely';

/** Terms that an instructor adds to the glossary of a course. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `create table term (
        id uuid primary key default gen_random_uuid(),
        course_id uuid not null references course on delete cascade,
        term text not null check (term <> ''),
        sentence text not null check (sentence <> ''),
        figure jsonb,
        made_at timestamptz not null default clock_timestamp()
      )`,
    )
    .execute(db);
  await sql.raw('create unique index on term (course_id, lower(term))').execute(db);
}
