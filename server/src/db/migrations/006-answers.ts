import { sql, type Kysely } from 'kysely';

/** A task can be answered in words or numbers: what was answered is kept with each check, and the newest with the task. */
export async function up(db: Kysely<unknown>): Promise<void> {
  const statements = [
    'alter table task_state add column answer jsonb',
    'alter table task_check add column answer jsonb',
  ];
  for (const statement of statements) await sql.raw(statement).execute(db);
}
