import { sql, type Kysely } from 'kysely';

/** People, courses, lessons with drafts and editions, classes, and students' work. */
export async function up(db: Kysely<unknown>): Promise<void> {
  const statements = [
    `create table instructor (
      id uuid primary key default gen_random_uuid(),
      email text not null unique check (email = lower(email)),
      name text not null check (name <> ''),
      password_hash text not null
    )`,
    `create table course (
      id uuid primary key default gen_random_uuid(),
      instructor_id uuid not null references instructor on delete cascade,
      title text not null check (title <> ''),
      made_at timestamptz not null default clock_timestamp()
    )`,
    `create index on course (instructor_id)`,
    `create table stream (
      id uuid primary key default gen_random_uuid(),
      document jsonb not null,
      revision integer not null default 0 check (revision >= 0),
      changed_at timestamptz not null default now()
    )`,
    `create table stream_step (
      stream_id uuid not null references stream on delete cascade,
      revision integer not null check (revision > 0),
      id uuid not null,
      kind text not null check (kind in ('do', 'undo', 'redo')),
      command jsonb,
      inverse jsonb,
      made_at timestamptz not null default now(),
      primary key (stream_id, revision),
      unique (stream_id, id),
      check ((kind = 'do') = (command is not null) and (kind = 'do') = (inverse is not null))
    )`,
    `create table lesson (
      id uuid primary key default gen_random_uuid(),
      course_id uuid not null references course on delete cascade,
      stream_id uuid not null unique references stream,
      made_at timestamptz not null default clock_timestamp()
    )`,
    `create index on lesson (course_id)`,
    `create table edition (
      id uuid primary key default gen_random_uuid(),
      lesson_id uuid not null references lesson on delete cascade,
      number integer not null check (number > 0),
      revision integer not null,
      document jsonb not null,
      published_at timestamptz not null default now(),
      unique (lesson_id, number)
    )`,
    `create function refuse_change() returns trigger language plpgsql as
      $$ begin raise exception 'a published edition never changes'; end $$`,
    `create trigger edition_is_immutable before update on edition
      for each row execute function refuse_change()`,
    `create table class (
      id uuid primary key default gen_random_uuid(),
      course_id uuid not null references course on delete cascade,
      name text not null check (name <> ''),
      code text not null unique,
      made_at timestamptz not null default clock_timestamp()
    )`,
    `create index on class (course_id)`,
    `create table student (
      id uuid primary key default gen_random_uuid(),
      class_id uuid not null references class on delete cascade,
      name text not null check (name <> ''),
      return_key_hash text not null,
      last_seen timestamptz not null default now()
    )`,
    `create unique index student_name_in_class on student (class_id, lower(name))`,
    `create unique index student_return_key on student (class_id, return_key_hash)`,
    `create table work (
      id uuid primary key default gen_random_uuid(),
      student_id uuid not null references student on delete cascade,
      edition_id uuid not null references edition on delete cascade,
      sheet_id text not null,
      stream_id uuid not null unique references stream,
      opened_at timestamptz not null default now(),
      results jsonb,
      checked_revision integer,
      attempts integer not null default 0,
      passed_at timestamptz,
      unique (student_id, edition_id, sheet_id),
      check ((results is null) = (checked_revision is null))
    )`,
    `create index on work (edition_id)`,
    `create table session (
      token_hash text primary key,
      instructor_id uuid references instructor on delete cascade,
      student_id uuid references student on delete cascade,
      expires_at timestamptz not null,
      check (num_nonnulls(instructor_id, student_id) = 1)
    )`,
    `create index on session (expires_at)`,
    `create table rate_limit (
      key text primary key,
      hits integer not null,
      resets_at timestamptz not null
    )`,
  ];
  for (const statement of statements) await sql.raw(statement).execute(db);
}
