import type { Request, Response } from 'express';
import type { Db } from '../db/connect.js';
import { hashSecret, randomToken } from './secret.js';

export type Session =
  | { readonly who: 'nobody' }
  | { readonly who: 'instructor'; readonly instructor: { id: string; name: string; email: string } }
  | {
      readonly who: 'student';
      readonly student: { id: string; name: string; classId: string; className: string; classCode: string };
    };

const cookieName = 'bogen-session';
const days = 24 * 60 * 60 * 1000;
const lifetimes = { instructor: 14 * days, student: 200 * days };

function tokenOf(request: Request): string | undefined {
  const cookies = request.get('cookie')?.split(';') ?? [];
  const own = cookies.map((cookie) => cookie.trim()).find((cookie) => cookie.startsWith(`${cookieName}=`));
  return own?.slice(cookieName.length + 1);
}

/** A key that tells signed-in browsers apart without asking the database; `undefined` without a cookie. */
export function sessionKeyOf(request: Request): string | undefined {
  const token = tokenOf(request);
  return token && hashSecret(token);
}

/** Who the request's cookie stands for. */
export async function readSession(db: Db, request: Request): Promise<Session> {
  const token = tokenOf(request);
  if (!token) return { who: 'nobody' };
  const row = await db
    .selectFrom('session')
    .leftJoin('instructor', 'instructor.id', 'session.instructor_id')
    .leftJoin('student', 'student.id', 'session.student_id')
    .leftJoin('class', 'class.id', 'student.class_id')
    .where('token_hash', '=', hashSecret(token))
    .where('expires_at', '>', new Date())
    .select([
      'instructor.id as instructorId',
      'instructor.name as instructorName',
      'instructor.email as email',
      'student.id as studentId',
      'student.name as studentName',
      'class.id as classId',
      'class.name as className',
      'class.code as classCode',
    ])
    .executeTakeFirst();
  if (row?.instructorId) {
    return {
      who: 'instructor',
      instructor: { id: row.instructorId, name: row.instructorName!, email: row.email! },
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
