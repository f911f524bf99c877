import { sql, type Kysely } from 'kysely';

/** The best number that a student came to in a task in which one counts, once it was met. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of [
    `alter table task_state add column score double precision`,
    `create index task_state_score on task_state (edition_id, sheet_id, task_id) where score is not null`,
  ])
    await sql.raw(statement).execute(db);
}
