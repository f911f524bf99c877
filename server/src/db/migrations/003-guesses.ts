import { sql, type Kysely } from 'kysely';

/** Failed tries by key, for the waits that stand against guessing; they take the place of one count for each address. */
export async function up(db: Kysely<unknown>): Promise<void> {
  const statements = [
    `drop table rate_limit`,
    `create table guess (
      key text primary key,
      failures integer not null,
      failed_at timestamptz not null,
      waits_until timestamptz not null
    )`,
    `create index on guess (failed_at)`,
  ];
  for (const statement of statements) await sql.raw(statement).execute(db);
}
