import { sql, type Kysely } from 'kysely';

/** Pictures to draw over. They never change; a figure names them by id. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `create table picture (
        id uuid primary key default gen_random_uuid(),
        instructor_id uuid not null references instructor on delete cascade,
        media_type text not null check (media_type in ('image/png', 'image/jpeg', 'image/svg+xml')),
        width integer not null check (width > 0),
        height integer not null check (height > 0),
        bytes bytea not null check (octet_length(bytes) between 1 and 10000000),
        digest bytea not null,
        made_at timestamptz not null default clock_timestamp(),
        unique (instructor_id, digest)
      )`,
    )
    .execute(db);
}
