import { sql, type Kysely } from 'kysely';

/** The bench: figures without a lesson, of an instructor or a student. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `create table bench_figure (
        id uuid primary key default gen_random_uuid(),
        instructor_id uuid references instructor on delete cascade,
        student_id uuid references student on delete cascade,
        name text not null check (name <> ''),
        document jsonb not null,
        revision integer not null default 0,
        changed_at timestamptz not null default now(),
        deleted_at timestamptz,
        check ((instructor_id is null) <> (student_id is null))
      )`,
    )
    .execute(db);
  await sql.raw('create index on bench_figure (instructor_id)').execute(db);
  await sql.raw('create index on bench_figure (student_id)').execute(db);
}
