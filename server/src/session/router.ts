import { hash, verify } from '@node-rs/argon2';
import { Router } from 'express';
import { brokenConstraint, type Db } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';
import { limitRate } from '../http/rateLimit.js';
import { route } from '../http/route.js';
import { hashSecret, normaliseCode, randomCode } from './secret.js';
import { endSession, readSession, startSession } from './session.js';

/** Verified when no account fits, so that the time of an answer does not tell who has an account. */
const nobodysHash = hash('nobody has this password');

const minute = 60_000;

/** Signing in and out, joining a class and coming back to it. */
export function sessionRouter(db: Db): Router {
  const router = Router();
  const guessing = limitRate(db, { name: 'guess', windowMs: 10 * minute, most: 30, onlyFailures: true });
  // A whole class joins from behind one address.
  const joining = limitRate(db, { name: 'join', windowMs: 10 * minute, most: 200, onlyFailures: false });

  route(router, db, 'session', ({ request }) => readSession(db, request));

  route(
    router,
    db,
    'signIn',
    async ({ body, request, response }) => {
      const account = await db
        .selectFrom('instructor')
        .selectAll()
        .where('email', '=', body.email.trim().toLowerCase())
        .executeTakeFirst();
      const fits = await verify(account?.password_hash ?? (await nobodysHash), body.password);
      if (!account || !fits) {
        throw new HttpProblem(
          'wrong-sign-in',
          'This address and password do not belong together. Check both and try again.',
        );
      }
      await startSession(db, request, response, { instructor: account.id });
      return {
        who: 'instructor' as const,
        instructor: { id: account.id, name: account.name, email: account.email },
      };
    },
    guessing,
  );

  route(router, db, 'signOut', async ({ request, response }) => {
    await endSession(db, request, response);
    return {};
  });

  route(
    router,
    db,
    'join',
    async ({ body, request, response }) => {
      const found = await classByCode(db, body.code);
      const returnKey = randomCode(3, 4);
      try {
        const { id } = await db
          .insertInto('student')
          .values({
            class_id: found.id,
            name: body.name,
            return_key_hash: hashSecret(normaliseCode(returnKey)),
          })
          .returning('id')
          .executeTakeFirstOrThrow();
        await startSession(db, request, response, { student: id });
        return {
          student: { id, name: body.name, classId: found.id, className: found.name, classCode: found.code },
          returnKey,
        };
      } catch (error) {
        if (brokenConstraint(error) !== 'student_name_in_class') throw error;
        throw new HttpProblem(
          'name-taken',
          `Somebody called ${body.name} is in this class already. If that is you, come back with your return key; if not, add a letter to your name.`,
        );
      }
    },
    guessing,
    joining,
  );

  route(
    router,
    db,
    'comeBack',
    async ({ body, request, response }) => {
      const found = await classByCode(db, body.code);
      const student = await db
        .selectFrom('student')
        .select(['id', 'name'])
        .where('class_id', '=', found.id)
        .where('return_key_hash', '=', hashSecret(normaliseCode(body.returnKey)))
        .executeTakeFirst();
      if (!student) {
        throw new HttpProblem(
          'wrong-return-key',
          'No student of this class has this return key. Check it, or ask your instructor.',
        );
      }
      await startSession(db, request, response, { student: student.id });
      return { student: { ...student, classId: found.id, className: found.name, classCode: found.code } };
    },
    guessing,
  );

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

async function classByCode(db: Db, typed: string): Promise<{ id: string; name: string; code: string }> {
  const code = normaliseCode(typed);
  const found = await db
    .selectFrom('class')
    .select(['id', 'name', 'code'])
    .where((where) => where(where.fn('replace', ['code', where.val('-'), where.val('')]), '=', code))
    .executeTakeFirst();
  if (!found)
    throw new HttpProblem('wrong-class-code', 'No class has this code. Check it with your instructor.');
  return found;
}
