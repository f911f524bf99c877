import { toldByServer } from '@bogen/contract';
import { instructor as demoInstructor } from '@bogen/demo';
import { Router } from 'express';
import { record } from '../audit/record.js';
import { nameKey } from '../name/nameKey.js';
import { refuseFullClass } from '../student/room.js';
import type { Settings } from '../config/settings.js';
import { brokenConstraint, type Db } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';
import {
  countFailure,
  countTry,
  forgetFailures,
  refuseWhileWaiting,
  discountTry,
  type Guard,
} from '../http/guessing.js';
import { route } from '../http/route.js';
import { hashSecret, normaliseCode, randomCode } from '../http/secret.js';
import { endSession, readSession, startSession } from '../http/session.js';
import { hasAccounts } from './firstCode.js';
import { sessionOf } from './own.js';
import { passwordFits } from './password.js';

/**
 * An account's password is guarded under the account from this address, strictly, and under the account from
 * anywhere, with shorter waits, so that nobody can lock somebody else out for long. An address that fails with
 * many accounts waits too.
 */
function signInGuards(email: string, address: string): readonly [Guard, Guard, Guard] {
  return [
    { key: `sign-in:${email}:${address}`, free: 5, longest: 900 },
    { key: `sign-in:${email}`, free: 20, longest: 30 },
    { key: `sign-in:@${address}`, free: 60, longest: 20 },
  ];
}

/**
 * Class codes and return keys are long and random; a class that mistypes them behind one address is far more
 * likely than somebody who guesses. Joining has nothing to do with signing in.
 */
function codeGuards(address: string): readonly Guard[] {
  return [{ key: `class-code:@${address}`, free: 1000, longest: 60 }];
}

function returnKeyGuards(classId: string, address: string): readonly Guard[] {
  return [
    { key: `return-key:${classId}:${address}`, free: 400, longest: 300 },
    { key: `return-key:${classId}`, free: 1000, longest: 10 },
  ];
}

/** Signing in and out, joining a class and coming back to it. */
export function entryRouter(db: Db, settings: Settings): Router {
  const router = Router();
  route(router, db, 'session', async ({ request }) => {
    const session = await readSession(db, request);
    if (session.who !== 'student') return session;
    const { seenAt: _, ...student } = session.student;
    return { who: session.who, student };
  });

  route(router, db, 'entry', async () => {
    const demo = await db
      .selectFrom('instructor')
      .select('email')
      .where('is_demo', '=', true)
      .executeTakeFirst();
    return {
      first: !(await hasAccounts(db)),
      demo: demo ? { email: demo.email, password: demoInstructor.password } : null,
      school: settings.school?.name ?? null,
      mail: settings.mail !== undefined,
    };
  });

  route(router, db, 'signIn', async ({ body, request, response }) => {
    const email = body.email.trim().toLowerCase();
    const guards = signInGuards(email, request.ip ?? '');
    await refuseWhileWaiting(db, guards);
    for (const guard of guards) await countTry(db, guard);
    const account = await db
      .selectFrom('instructor')
      .selectAll()
      .where('email', '=', email)
      .executeTakeFirst();
    const fits = await passwordFits(account?.password_hash, body.password);
    if (!account || !fits) {
      throw new HttpProblem('wrong-sign-in', toldByServer('wrongSignIn'));
    }
    const [here, anywhere, address] = guards;
    await forgetFailures(db, here);
    await forgetFailures(db, anywhere);
    // The address keeps its failures: an account of one's own must not pay for guesses at others.
    await discountTry(db, address);
    await startSession(db, request, response, { instructor: account.id });
    await record(db, account, 'signedIn');
    return sessionOf(account);
  });

  route(router, db, 'signOut', async ({ request, response }) => {
    await endSession(db, request, response);
    return {};
  });

  route(router, db, 'join', async ({ body, request, response }) => {
    const found = await classByCode(db, body.code, request.ip ?? '');
    if (found.closedAt) throw new HttpProblem('refused', toldByServer('classTakesNobody'));
    const returnKey = randomCode(3, 4);
    try {
      const id = await db.transaction().execute(async (tx) => {
        await refuseFullClass(tx, found.id, 1);
        const made = await tx
          .insertInto('student')
          .values({
            class_id: found.id,
            name: body.name,
            name_key: nameKey(body.name),
            return_key_hash: hashSecret(normaliseCode(returnKey)),
          })
          .returning('id')
          .executeTakeFirstOrThrow();
        return made.id;
      });
      await startSession(db, request, response, { student: id });
      return {
        student: {
          id,
          name: body.name,
          classId: found.id,
          className: found.name,
          classCode: found.code,
          closed: false,
        },
        returnKey,
      };
    } catch (error) {
      if (brokenConstraint(error) !== 'student_name_in_class') throw error;
      throw new HttpProblem('name-taken', toldByServer('nameTaken', { name: body.name }));
    }
  });

  route(router, db, 'comeBack', async ({ body, request, response }) => {
    const found = await classByCode(db, body.code, request.ip ?? '');
    const guards = returnKeyGuards(found.id, request.ip ?? '');
    await refuseWhileWaiting(db, guards);
    const student = await db
      .selectFrom('student')
      .select(['id', 'name'])
      .where('class_id', '=', found.id)
      .where('return_key_hash', '=', hashSecret(normaliseCode(body.returnKey)))
      .where('removed_at', 'is', null)
      .executeTakeFirst();
    if (!student) {
      await countFailure(db, guards);
      throw new HttpProblem('wrong-return-key', toldByServer('wrongReturnKey'));
    }
    await db
      .updateTable('student')
      .set({ joined_at: new Date() })
      .where('id', '=', student.id)
      .where('joined_at', 'is', null)
      .execute();
    await startSession(db, request, response, { student: student.id });
    return {
      student: {
        ...student,
        classId: found.id,
        className: found.name,
        classCode: found.code,
        closed: found.closedAt !== null,
      },
    };
  });

  route(router, db, 'newReturnKey', async ({ session }) => {
    const returnKey = randomCode(3, 4);
    await db
      .updateTable('student')
      .set({ return_key_hash: hashSecret(normaliseCode(returnKey)) })
      .where('id', '=', session.student.id)
      .execute();
    return { returnKey };
  });

  return router;
}

async function classByCode(
  db: Db,
  typed: string,
  address: string,
): Promise<{ id: string; name: string; code: string; closedAt: Date | null }> {
  const guards = codeGuards(address);
  await refuseWhileWaiting(db, guards);
  const code = normaliseCode(typed);
  const found = await db
    .selectFrom('class')
    .innerJoin('course', 'course.id', 'class.course_id')
    .where('course.deleted_at', 'is', null)
    .where('class.deleted_at', 'is', null)
    .select(['class.id', 'class.name', 'class.code', 'class.closed_at as closedAt'])
    .where((where) => where(where.fn('replace', ['code', where.val('-'), where.val('')]), '=', code))
    .executeTakeFirst();
  if (!found) {
    await countFailure(db, guards);
    throw new HttpProblem('wrong-class-code', toldByServer('wrongClassCode'));
  }
  return found;
}
