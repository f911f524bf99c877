import type { Request, Response } from 'express';
import { sql } from 'kysely';
import { Batches, perDatabase } from '../db/batches.js';
import type { Db, Tx } from '../db/connect.js';
import { hashSecret, randomToken } from './secret.js';

interface SignedInInstructor {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly role: 'administrator' | 'instructor';
}

export type Session =
  | { readonly who: 'nobody' }
  | { readonly who: 'instructor'; readonly instructor: SignedInInstructor }
  | {
      readonly who: 'student';
      readonly student: {
        id: string;
        name: string;
        classId: string;
        className: string;
        classCode: string;
        readonly seenAt: Date;
        /** Whether the class is closed, so that its students only look. */
        closed: boolean;
      };
    };

const cookieName = 'bogen-session';
/** When a session was used is written down so often, which is often enough to know one's own. */
const hour = 60 * 60 * 1000;
const days = 24 * 60 * 60 * 1000;
const lifetimes = { instructor: 14 * days, student: 200 * days };

function tokenOf(request: Request): string | undefined {
  const cookies = request.get('cookie')?.split(';') ?? [];
  const own = cookies.map((cookie) => cookie.trim()).find((cookie) => cookie.startsWith(`${cookieName}=`));
  return own?.slice(cookieName.length + 1);
}

/** The keys of requests that were asked for already. */
const keys = new WeakMap<Request, string>();

/** A key that tells signed-in browsers apart without asking the database; `undefined` without a cookie. */
export function sessionKeyOf(request: Request): string | undefined {
  const known = keys.get(request);
  if (known !== undefined) return known;
  const token = tokenOf(request);
  if (!token) return undefined;
  const key = hashSecret(token);
  keys.set(request, key);
  return key;
}

/** Sessions by their tokens, all that are asked for at the same moment together. */
const rowsOf = perDatabase(
  (db: Db) =>
    new Batches(async (hashes: readonly string[]) => {
      const rows = await sessionRows(db, hashes);
      const byHash = new Map(rows.map((row) => [row.hash, row]));
      return hashes.map((hash) => byHash.get(hash));
    }, 2),
);

function sessionRows(db: Db, hashes: readonly string[]) {
  return db
    .selectFrom('session')
    .leftJoin('instructor', 'instructor.id', 'session.instructor_id')
    .leftJoin('student', 'student.id', 'session.student_id')
    .leftJoin('class', 'class.id', 'student.class_id')
    .where(sql<boolean>`token_hash = any(${hashes})`)
    .where('expires_at', '>', sql<Date>`now()`)
    .where('student.removed_at', 'is', null)
    .where('class.deleted_at', 'is', null)
    .select([
      'session.token_hash as hash',
      'session.id',
      'session.seen_at as seenAt',
      'instructor.role',
      'instructor.id as instructorId',
      'instructor.name as instructorName',
      'instructor.email as email',
      'student.id as studentId',
      'student.name as studentName',
      'student.last_seen as studentSeenAt',
      'class.id as classId',
      'class.name as className',
      'class.code as classCode',
      'class.closed_at as closedAt',
    ])
    .execute();
}

/** Who the request's cookie stands for. */
export async function readSession(db: Db, request: Request): Promise<Session> {
  const key = sessionKeyOf(request);
  if (key === undefined) return { who: 'nobody' };
  const row = await rowsOf(db).get(key);
  if (row && Date.now() - Number(row.seenAt) > hour)
    await db.updateTable('session').set({ seen_at: new Date() }).where('id', '=', row.id).execute();
  if (row?.instructorId) {
    return {
      who: 'instructor',
      instructor: { id: row.instructorId, name: row.instructorName!, email: row.email!, role: row.role! },
    };
  }
  if (row?.studentId) {
    return {
      who: 'student',
      student: {
        id: row.studentId,
        name: row.studentName!,
        classId: row.classId!,
        className: row.className!,
        classCode: row.classCode!,
        closed: row.closedAt !== null,
        seenAt: row.studentSeenAt!,
      },
    };
  }
  return { who: 'nobody' };
}

/** Starts a session and sets its cookie; whatever session there was ends. */
export async function startSession(
  db: Db,
  request: Request,
  response: Response,
  owner: { instructor: string } | { student: string },
): Promise<void> {
  await deleteSession(db, request);
  const token = randomToken();
  const lifetime = 'instructor' in owner ? lifetimes.instructor : lifetimes.student;
  await db.deleteFrom('session').where('expires_at', '<', new Date()).execute();
  await db
    .insertInto('session')
    .values({
      token_hash: hashSecret(token),
      instructor_id: 'instructor' in owner ? owner.instructor : null,
      student_id: 'student' in owner ? owner.student : null,
      expires_at: new Date(Date.now() + lifetime),
      browser: (request.get('user-agent') ?? '').slice(0, 300),
    })
    .execute();
  response.cookie(cookieName, token, {
    httpOnly: true,
    sameSite: 'lax',
    secure: request.secure,
    path: '/',
    maxAge: lifetime,
  });
}

export async function endSession(db: Db, request: Request, response: Response): Promise<void> {
  await deleteSession(db, request);
  response.clearCookie(cookieName, { path: '/' });
}

async function deleteSession(db: Db, request: Request): Promise<void> {
  const token = tokenOf(request);
  if (token) await db.deleteFrom('session').where('token_hash', '=', hashSecret(token)).execute();
}

/** Ends sessions: all of somebody, but the one of this request where that is given. */
export async function endSessionsOf(
  db: Db | Tx,
  owner: { instructor: string } | { student: string },
  but?: Request,
): Promise<void> {
  const token = but && tokenOf(but);
  let sessions = db.deleteFrom('session');
  sessions =
    'instructor' in owner
      ? sessions.where('instructor_id', '=', owner.instructor)
      : sessions.where('student_id', '=', owner.student);
  if (token) sessions = sessions.where('token_hash', '!=', hashSecret(token));
  await sessions.execute();
}

/** The sessions of an instructor, the one of this request among them; the one used last comes first. */
export async function sessionsOf(
  db: Db,
  instructor: string,
  request: Request,
): Promise<{ id: string; browser: string; since: string; seen: string; isThis: boolean }[]> {
  const token = tokenOf(request);
  const rows = await db
    .selectFrom('session')
    .select(['id', 'browser', 'made_at', 'seen_at', 'token_hash'])
    .where('instructor_id', '=', instructor)
    .where('expires_at', '>', new Date())
    .orderBy('seen_at', 'desc')
    .limit(100)
    .execute();
  return rows.map((row) => ({
    id: row.id,
    browser: row.browser,
    since: row.made_at.toISOString(),
    seen: row.seen_at.toISOString(),
    isThis: token !== undefined && row.token_hash === hashSecret(token),
  }));
}
