import { sql, type Kysely } from 'kysely';

/**
 * The log, second edition: each step with its author, times, effect and version; what can still be undone kept
 * with it; snapshots, so that nothing has to read a whole log; checks one by one; and an edition's outline.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  const statements = [
    `alter table stream_step
      add column effect jsonb,
      add column of_revision integer,
      add column state text check (state in ('done', 'undone', 'dropped')),
      add column author uuid,
      add column client_at timestamptz,
      add column version integer not null default 1`,
    `update stream_step set author = course.instructor_id from lesson join course on course.id = lesson.course_id
      where lesson.stream_id = stream_step.stream_id`,
    `update stream_step set author = work.student_id from work where work.stream_id = stream_step.stream_id`,
  ];
  for (const statement of statements) await sql.raw(statement).execute(db);
  await markStates(db);
  for (const statement of after) await sql.raw(statement).execute(db);
}

const after = [
  `alter table stream_step add check ((kind = 'do') = (state is not null))`,
  `alter table stream_step add check (kind = 'do' or (effect is not null and of_revision is not null))`,
  `create index stream_step_undo on stream_step (stream_id, author, state, revision) where kind = 'do'`,
  `create table stream_snapshot (
    stream_id uuid not null references stream on delete cascade,
    revision integer not null check (revision >= 0),
    document jsonb not null,
    primary key (stream_id, revision)
  )`,
  // What came before this edition of the log can be rebuilt from here on.
  `insert into stream_snapshot (stream_id, revision, document) select id, revision, document from stream`,
  `insert into stream_snapshot (stream_id, revision, document)
    select work.stream_id, 0, sheet -> 'figure' from work
    join edition on edition.id = work.edition_id,
    lateral jsonb_array_elements(edition.document -> 'sheets') as sheet
    where sheet ->> 'id' = work.sheet_id
    on conflict do nothing`,
  `create table work_check (
    id bigint primary key generated always as identity,
    work_id uuid not null references work on delete cascade,
    revision integer not null,
    results jsonb not null,
    passed boolean not null,
    checked_at timestamptz not null default clock_timestamp()
  )`,
  `create index on work_check (work_id, checked_at)`,
  `insert into work_check (work_id, revision, results, passed)
    select id, checked_revision, results, passed_at is not null from work where results is not null`,
  // A sheet can have several figures' states of one student; today there is one, without a name.
  `alter table work add column stage text not null default ''`,
  `alter table work drop constraint work_student_id_edition_id_sheet_id_key`,
  `alter table work add unique (student_id, edition_id, sheet_id, stage)`,
  `alter table edition add column outline jsonb`,
  `alter table edition disable trigger edition_is_immutable`,
  `update edition set outline = jsonb_build_object('title', document -> 'title', 'sheets', (
    select jsonb_agg(jsonb_build_object('id', sheet -> 'id', 'title', sheet -> 'title',
      'hasTask', sheet -> 'task' <> 'null'::jsonb) order by place)
    from jsonb_array_elements(document -> 'sheets') with ordinality as sheets (sheet, place)))`,
  `alter table edition enable trigger edition_is_immutable`,
  `alter table edition alter column outline set not null`,
];

/** What the logs so far say of each step: whether it is still done, and which command an undo or redo came down to. */
async function markStates(db: Kysely<unknown>): Promise<void> {
  const { rows: streams } = await sql<{
    id: string;
  }>`select distinct stream_id as id from stream_step`.execute(db);
  for (const { id } of streams) {
    const { rows } = await sql<{ revision: number; kind: 'do' | 'undo' | 'redo' }>`
      select revision, kind from stream_step where stream_id = ${id} order by revision`.execute(db);
    const done: number[] = [];
    let undone: number[] = [];
    const dropped: number[] = [];
    for (const { revision, kind } of rows) {
      if (kind === 'do') {
        done.push(revision);
        dropped.push(...undone);
        undone = [];
        continue;
      }
      const of = kind === 'undo' ? done.pop() : undone.pop();
      if (of === undefined) continue;
      (kind === 'undo' ? undone : done).push(of);
      await sql`update stream_step set of_revision = ${of}, effect = (
          select ${sql.raw(kind === 'undo' ? 'inverse' : 'command')} from stream_step as source
          where source.stream_id = ${id} and source.revision = ${of})
        where stream_id = ${id} and revision = ${revision}`.execute(db);
    }
    for (const [state, revisions] of [
      ['done', done],
      ['undone', undone],
      ['dropped', dropped],
    ] as const) {
      await sql`update stream_step set state = ${state}
        where stream_id = ${id} and revision = any(${revisions})`.execute(db);
    }
  }
}
