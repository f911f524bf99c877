import { sql, type Kysely } from 'kysely';

/**
 * A sheet has stages and several tasks: work belongs to one stage, and what is known of a task stands by itself. What
 * was made before belongs to the first stage and the only task.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  const statements = [
    `update work set stage = 'first' where stage = ''`,
    `alter table work alter column stage drop default`,
    `create table task_state (
      student_id uuid not null references student on delete cascade,
      edition_id uuid not null references edition on delete cascade,
      sheet_id text not null,
      task_id text not null,
      results jsonb not null,
      checked_revision integer not null,
      attempts integer not null check (attempts > 0),
      passed_at timestamptz,
      primary key (student_id, edition_id, sheet_id, task_id)
    )`,
    `create index on task_state (edition_id)`,
    `insert into task_state
        (student_id, edition_id, sheet_id, task_id, results, checked_revision, attempts, passed_at)
      select student_id, edition_id, sheet_id, 'task', results, checked_revision, greatest(attempts, 1), passed_at
      from work where results is not null`,
    `create table task_check (
      id bigint primary key generated always as identity,
      student_id uuid not null references student on delete cascade,
      edition_id uuid not null references edition on delete cascade,
      sheet_id text not null,
      task_id text not null,
      revision integer not null,
      results jsonb not null,
      passed boolean not null,
      checked_at timestamptz not null default clock_timestamp()
    )`,
    `create index on task_check (student_id, edition_id, sheet_id, task_id, checked_at)`,
    `insert into task_check (student_id, edition_id, sheet_id, task_id, revision, results, passed, checked_at)
      select student_id, edition_id, sheet_id, 'task', revision, work_check.results, passed, checked_at
      from work_check join work on work.id = work_check.work_id order by work_check.id`,
    `drop table work_check`,
    `alter table work drop column results, drop column checked_revision, drop column attempts, drop column passed_at`,
    `alter table edition disable trigger edition_is_immutable`,
    `update edition set outline = jsonb_build_object('title', outline -> 'title', 'sheets', (
      select jsonb_agg(jsonb_build_object('id', sheet -> 'id', 'title', sheet -> 'title', 'tasks',
        case when sheet -> 'hasTask' = 'true'::jsonb then '["task"]'::jsonb else '[]'::jsonb end) order by place)
      from jsonb_array_elements(outline -> 'sheets') with ordinality as sheets (sheet, place)))`,
    `alter table edition enable trigger edition_is_immutable`,
  ];
  for (const statement of statements) await sql.raw(statement).execute(db);
}
