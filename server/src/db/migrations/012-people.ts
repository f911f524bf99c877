import { sql, type Kysely } from 'kysely';
import { nameKey } from '../../name/nameKey.js';

/** Roles, links, co-instructors; classes that close and are deleted; students on a list; and the audit log. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of before) await sql.raw(statement).execute(db);
  const { rows } = await sql<{ id: string; class: string; name: string }>`
    select id, class_id as class, name from student order by id`.execute(db);
  const taken = new Set<string>();
  for (const { id, class: group, name } of rows) {
    // Names that look alike stay as they are; only who comes from now on is refused.
    const key = nameKey(name);
    const free = taken.has(`${group} ${key}`) ? `${key} ${id}` : key;
    taken.add(`${group} ${free}`);
    await sql`update student set name_key = ${free} where id = ${id}`.execute(db);
  }
  for (const statement of after) await sql.raw(statement).execute(db);
}

const before = [
  `alter table instructor
    add column role text not null default 'instructor' check (role in ('administrator', 'instructor')),
    add column made_at timestamptz not null default clock_timestamp(),
    add column is_demo boolean not null default false,
    add column issuer text,
    add column subject text,
    alter column password_hash drop not null,
    add check ((issuer is null) = (subject is null))`,
  `create unique index instructor_at_school on instructor (issuer, subject)`,
  // Where there are instructors without an administrator, the first of them is one.
  `update instructor set role = 'administrator'
    where id = (select id from instructor order by (select min(made_at) from course where instructor_id = instructor.id) limit 1)`,
  `update instructor set is_demo = true
    where email like '%.example' and exists (select from loaded where name = 'demo')`,
  `create table first_code (
    is_only boolean primary key default true check (is_only),
    code_hash text not null,
    made_at timestamptz not null default clock_timestamp()
  )`,
  `create table link (
    id uuid primary key default gen_random_uuid(),
    token_hash text not null unique,
    kind text not null check (kind in ('invitation', 'reset')),
    email text not null,
    role text check (role in ('administrator', 'instructor')),
    instructor_id uuid references instructor on delete cascade,
    made_by uuid references instructor on delete set null,
    made_at timestamptz not null default clock_timestamp(),
    expires_at timestamptz not null,
    check ((kind = 'invitation') = (role is not null)),
    check ((kind = 'reset') = (instructor_id is not null))
  )`,
  `create unique index link_invitation on link (email) where kind = 'invitation'`,
  `create table course_instructor (
    course_id uuid not null references course on delete cascade,
    instructor_id uuid not null references instructor on delete cascade,
    added_at timestamptz not null default clock_timestamp(),
    primary key (course_id, instructor_id)
  )`,
  `create index on course_instructor (instructor_id)`,
  `alter table class
    add column closed_at timestamptz,
    add column archived_at timestamptz,
    add column deleted_at timestamptz,
    add column days_kept integer check (days_kept > 0)`,
  `create index on class (deleted_at) where deleted_at is not null`,
  `alter table student
    add column name_key text,
    add column joined_at timestamptz default clock_timestamp(),
    add column removed_at timestamptz`,
  `alter table session
    add column id uuid not null unique default gen_random_uuid(),
    add column made_at timestamptz not null default clock_timestamp(),
    add column seen_at timestamptz not null default clock_timestamp(),
    add column browser text not null default ''`,
  `create index on session (instructor_id) where instructor_id is not null`,
  `create index on session (student_id) where student_id is not null`,
  // The pictures of somebody who is erased stay as long as a lesson of somebody else shows them.
  `alter table picture
    alter column instructor_id drop not null,
    drop constraint picture_instructor_id_fkey,
    add foreign key (instructor_id) references instructor on delete set null`,
  `create table audit (
    number bigint primary key generated always as identity,
    at timestamptz not null default clock_timestamp(),
    by_id uuid,
    by_name text,
    action text not null,
    to_id uuid,
    to_name text,
    detail text
  )`,
  `create index on audit (at)`,
];

const after = [
  `alter table student alter column name_key set not null`,
  `drop index student_name_in_class`,
  `create unique index student_name_in_class on student (class_id, name_key) where removed_at is null`,
  `create index on student (removed_at) where removed_at is not null`,
];
