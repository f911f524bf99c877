import { sql, type Kysely } from 'kysely';

/** Courses and lessons have a place in their row, can be put away, and stay for a while after they were deleted. */
export async function up(db: Kysely<unknown>): Promise<void> {
  const statements = ['course', 'lesson'].flatMap((table) => [
    `alter table ${table} add column place double precision`,
    `update ${table} set place = extract(epoch from made_at)`,
    `alter table ${table} alter column place set not null,
      alter column place set default extract(epoch from clock_timestamp()),
      add column archived_at timestamptz,
      add column deleted_at timestamptz`,
    `create index on ${table} (deleted_at) where deleted_at is not null`,
  ]);
  for (const statement of statements) await sql.raw(statement).execute(db);
}
