import type { AuditAction } from '@bogen/contract';
import type { ColumnType, Generated, GeneratedAlways } from 'kysely';

/** The tables, as Kysely types them. Their constraints stand in the migrations. */
type Made = ColumnType<Date, never, never>;
/** JSON columns are written as text, so that arrays are not taken for PostgreSQL arrays. */
type Json = ColumnType<unknown, string, string>;
type JsonOrNull = ColumnType<unknown, string | null, string | null>;

/** What stands on a shelf: its place in its row, and since when it is put away or deleted. */
interface OnShelf {
  place: Generated<number>;
  archived_at: ColumnType<Date | null, never, Date | null>;
  deleted_at: ColumnType<Date | null, never, Date | null>;
}

export interface Database {
  /** What is loaded into a new database, and when that was done. */
  loaded: { name: string; began_at: Made; done_at: ColumnType<Date | null, never, Date> };
  instructor: {
    id: Generated<string>;
    email: string;
    name: string;
    /** `null` for who signs in by the school alone. */
    password_hash: string | null;
    role: Generated<'administrator' | 'instructor'>;
    made_at: Made;
    /** Whether it came with the demo data, so that its password is known to everybody. */
    is_demo: Generated<boolean>;
    /** Who vouches for the person, and under which name; of who signs in by the school. */
    issuer: string | null;
    subject: string | null;
  };
  /** What the code of the first account has to be, as it was printed on the console last. */
  first_code: { is_only: Generated<boolean>; code_hash: string; made_at: Made };
  link: {
    id: Generated<string>;
    token_hash: string;
    kind: 'invitation' | 'reset';
    email: string;
    role: 'administrator' | 'instructor' | null;
    instructor_id: string | null;
    made_by: string | null;
    made_at: Made;
    expires_at: Date;
  };
  /** Who else writes a course and sees its classes. */
  course_instructor: { course_id: string; instructor_id: string; added_at: Made };
  audit: {
    number: Generated<string>;
    at: Made;
    by_id: string | null;
    by_name: string | null;
    action: AuditAction;
    to_id: string | null;
    to_name: string | null;
    detail: string | null;
  };
  course: {
    id: Generated<string>;
    instructor_id: string;
    title: string;
    made_at: Made;
  } & OnShelf;
  stream: {
    id: Generated<string>;
    /** As it was at `document_revision`: the steps after it make the present one of it. */
    document: Json;
    document_revision: Generated<number>;
    revision: Generated<number>;
    changed_at: Generated<Date>;
  };
  stream_step: {
    stream_id: string;
    revision: number;
    id: string;
    kind: 'do' | 'undo' | 'redo';
    /** Of a step that did something: the command, and what takes it back. */
    command: Json | null;
    inverse: Json | null;
    /** What an undo or redo came down to; `null` where it is the command itself. */
    effect: Json | null;
    /** The step that an undo or redo is about. */
    of_revision: number | null;
    state: 'done' | 'undone' | 'dropped' | null;
    author: string | null;
    client_at: Date | null;
    made_at: Made;
    /** The version of the document that the commands were given on. */
    version: number;
    /** Of command, inverse and effect as JSON. */
    bytes: GeneratedAlways<number>;
  };
  presence: { lesson_id: string; page: string; name: string; sheet: string; seen_at: Made };
  stream_snapshot: { stream_id: string; revision: number; document: Json };
  task_state: {
    student_id: string;
    edition_id: string;
    sheet_id: string;
    task_id: string;
    /** Of the newest check, and the revision of the work that it judged. */
    results: Json;
    answer: JsonOrNull;
    checked_revision: number;
    attempts: number;
    passed_at: Date | null;
    /** The lowest that counted, of a task in which a number does. */
    score: number | null;
  };
  task_check: {
    id: Generated<string>;
    student_id: string;
    edition_id: string;
    sheet_id: string;
    task_id: string;
    revision: number;
    results: Json;
    answer: JsonOrNull;
    passed: boolean;
    checked_at: Made;
  };
  lesson: { id: Generated<string>; course_id: string; stream_id: string; made_at: Made } & OnShelf;
  edition: {
    id: Generated<string>;
    lesson_id: string;
    number: number;
    revision: number;
    document: Json;
    /** Title and sheets without their contents. */
    outline: Json;
    published_at: Made;
  };
  /** Sheets that may be shown within other pages. */
  embedding: { id: Generated<string>; lesson_id: string; sheet: string; opened_at: Made };
  class: {
    id: Generated<string>;
    course_id: string;
    name: string;
    code: string;
    made_at: Made;
    closed_at: ColumnType<Date | null, never, Date | null>;
    archived_at: ColumnType<Date | null, never, Date | null>;
    deleted_at: ColumnType<Date | null, never, Date | null>;
    /** For how many days after the class closed its students are kept. */
    days_kept: ColumnType<number | null, never, number | null>;
  };
  student: {
    id: Generated<string>;
    class_id: string;
    name: string;
    /** What names that look alike have in common. */
    name_key: string;
    return_key_hash: string;
    last_seen: Generated<Date>;
    /** `null` while they were only put on the list of the class. */
    joined_at: ColumnType<Date | null, Date | null | undefined, Date>;
    removed_at: ColumnType<Date | null, never, Date | null>;
  };
  work: {
    id: Generated<string>;
    student_id: string;
    edition_id: string;
    sheet_id: string;
    /** The stage of the sheet whose figure it began with. */
    stage: string;
    stream_id: string;
    opened_at: Made;
    /** The earlier edition that it was taken along from. */
    taken_from: ColumnType<string | null, string | undefined, never>;
    /** By whom that is drawn which is different for each student; nothing where it is the student. */
    drawn_by: ColumnType<string | null, string | null | undefined, string>;
  };
  session: {
    id: Generated<string>;
    made_at: Made;
    seen_at: Generated<Date>;
    browser: Generated<string>;
    token_hash: string;
    instructor_id: string | null;
    student_id: string | null;
    expires_at: Date;
  };
  bench_figure: {
    id: Generated<string>;
    instructor_id: string | null;
    student_id: string | null;
    name: string;
    document: Json;
    revision: Generated<number>;
    changed_at: Generated<Date>;
    deleted_at: ColumnType<Date | null, never, Date | null>;
  };
  term: {
    id: Generated<string>;
    course_id: string;
    term: string;
    sentence: string;
    figure: JsonOrNull;
    made_at: Made;
  };
  picture: {
    id: Generated<string>;
    /** `null` where its instructor was erased. */
    instructor_id: string | null;
    media_type: 'image/png' | 'image/jpeg' | 'image/svg+xml';
    width: number;
    height: number;
    bytes: Buffer;
    digest: Buffer;
    /** Of an SVG: what readers get of it, as PNG. */
    pixels: ColumnType<Buffer | null, Buffer | null | undefined, Buffer | null>;
    made_at: Made;
  };
  /** Counts of the last minutes, by process, of those from whom much comes. */
  flood: { minute: Date; key: string; process: string; count: number };
  guess: { key: string; failures: number; failed_at: Date; waits_until: Date };
}
