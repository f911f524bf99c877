import { toldByServer, type Answer } from '@bogen/contract';
import { Router } from 'express';
import { sql } from 'kysely';
import type { Logger } from 'pino';
import { record } from '../audit/record.js';
import type { Settings } from '../config/settings.js';
import { brokenConstraint, type Db, type Tx } from '../db/connect.js';
import { baseOf } from '../http/base.js';
import { countFailure, countTry, forgetFailures, refuseWhileWaiting, type Guard } from '../http/guessing.js';
import { HttpProblem } from '../http/problem.js';
import { route } from '../http/route.js';
import { endSessionsOf, sessionsOf, startSession } from '../http/session.js';
import type { Mail } from '../mail/send.js';
import { takeFirstCode } from './firstCode.js';
import { makeLink, readLink, takeLink } from './links.js';
import { hashPassword, passwordFits } from './password.js';

export interface Account {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly role: 'administrator' | 'instructor';
}

/** A session of an instructor, as it is told. */
export const sessionOf = ({ id, name, email, role }: Account): Answer<'signIn'> => ({
  who: 'instructor',
  instructor: { id, name, email, role },
});

const firstCodeGuard = (address: string): readonly Guard[] => [
  { key: `first-code:@${address}`, free: 5, longest: 300 },
  { key: 'first-code', free: 50, longest: 30 },
];
const linkGuard = (address: string): readonly Guard[] => [{ key: `link:@${address}`, free: 50, longest: 60 }];
/** Asking for mail is a try that always counts: it must not become a way to fill somebody's letter box. */
const mailGuards = (email: string, address: string): readonly Guard[] => [
  { key: `mail:${email}`, free: 3, longest: 900 },
  { key: `mail:@${address}`, free: 20, longest: 300 },
];
const ownPasswordGuard = (id: string): Guard => ({ key: `own-password:${id}`, free: 10, longest: 300 });

/** Making an account, and an instructor's own: name, address, password, and where it is signed in. */
export function accountRouter(db: Db, settings: Settings, mail: Mail | undefined, log: Logger): Router {
  const router = Router();

  route(router, db, 'makeFirstAccount', async ({ body, request, response }) => {
    const guards = firstCodeGuard(request.ip ?? '');
    await refuseWhileWaiting(db, guards);
    const password = await hashPassword(body.password, [body.email, body.name]);
    const account = await db
      .transaction()
      .execute(async (tx) => {
        await takeFirstCode(tx, body.code);
        const made = await insertAccount(tx, {
          email: body.email,
          name: body.name,
          password_hash: password,
          role: 'administrator',
        });
        await record(tx, made, 'firstAccount', made);
        return made;
      })
      .catch(async (error: unknown) => {
        if (error instanceof HttpProblem && error.problem.type === 'wrong-code')
          await countFailure(db, guards);
        throw error;
      });
    await startSession(db, request, response, { instructor: account.id });
    return sessionOf(account);
  });

  route(router, db, 'readLink', async ({ body, request }) => {
    const { kind, email, name, until } = await guardedLink(body.token, request.ip ?? '');
    return { kind, email, name, until: until.toISOString() };
  });

  route(router, db, 'useLink', async ({ body, request, response }) => {
    const link = await guardedLink(body.token, request.ip ?? '');
    const name = link.name ?? body.name;
    if (!name) throw new HttpProblem('refused', toldByServer('nameNeeded'));
    const password = await hashPassword(body.password, [link.email, name]);
    const account = await db.transaction().execute(async (tx) => {
      await takeLink(tx, link.id);
      if (link.kind === 'invitation') {
        const made = await insertAccount(tx, {
          email: link.email,
          name,
          password_hash: password,
          role: link.role!,
        });
        await record(tx, made, 'accountMade', made);
        return made;
      }
      const changed = await tx
        .updateTable('instructor')
        .set({ password_hash: password, is_demo: false })
        .where('id', '=', link.instructor)
        .returning(['id', 'name', 'email', 'role'])
        .executeTakeFirstOrThrow();
      // Whoever may have known the password is out, and so are all other links.
      await endSessionsOf(tx, { instructor: changed.id });
      await tx.deleteFrom('link').where('instructor_id', '=', changed.id).execute();
      await record(tx, changed, 'passwordReset', changed);
      return changed;
    });
    await startSession(db, request, response, { instructor: account.id });
    return sessionOf(account);
  });

  route(router, db, 'forgotPassword', async ({ body, request }) => {
    const guards = mailGuards(body.email, request.ip ?? '');
    await refuseWhileWaiting(db, guards);
    for (const guard of guards) await countTry(db, guard);
    // It goes on without whoever asks, so that neither answer nor time tells who has an account.
    if (mail)
      void sendReset(body.email, baseOf(settings, request)).catch((error: unknown) => log.error(error));
    return {};
  });

  route(router, db, 'account', async ({ session, request }) => {
    const { id, name, email, role } = session.instructor;
    const kept = await db
      .selectFrom('instructor')
      .select([
        sql<boolean>`password_hash is not null`.as('hasPassword'),
        sql<boolean>`subject is not null`.as('bySchool'),
      ])
      .where('id', '=', id)
      .executeTakeFirstOrThrow();
    return { name, email, role, ...kept, sessions: await sessionsOf(db, id, request) };
  });

  route(router, db, 'changeAccount', async ({ session, body }) => {
    const { instructor } = session;
    const isMoving = body.email !== undefined && body.email !== instructor.email;
    if (isMoving) await refuseOtherPassword(instructor.id, body.password);
    try {
      await db.transaction().execute(async (tx) => {
        const set = { ...(body.name && { name: body.name }), ...(isMoving && { email: body.email! }) };
        if (Object.keys(set).length === 0) return;
        await tx.updateTable('instructor').set(set).where('id', '=', instructor.id).execute();
        await record(tx, session, 'accountChanged', instructor, Object.values(set).join(', '));
      });
    } catch (error) {
      throw addressTaken(error, body.email ?? '') ?? error;
    }
    return {};
  });

  route(router, db, 'changePassword', async ({ session, body, request }) => {
    const { instructor } = session;
    const { password_hash: kept } = await db
      .selectFrom('instructor')
      .select('password_hash')
      .where('id', '=', instructor.id)
      .executeTakeFirstOrThrow();
    // Who has signed in by the school alone so far sets a first one.
    if (kept !== null) await refuseOtherPassword(instructor.id, body.password);
    // A password of one's own is known to nobody else, also where the account came with the demo.
    const password = await hashPassword(body.next, [instructor.email, instructor.name]);
    await db.transaction().execute(async (tx) => {
      await tx
        .updateTable('instructor')
        .set({ password_hash: password, is_demo: false })
        .where('id', '=', instructor.id)
        .execute();
      await endSessionsOf(tx, { instructor: instructor.id }, request);
      await record(tx, session, 'passwordChanged', instructor);
    });
    return {};
  });

  route(router, db, 'endSessions', async ({ session, body, request }) => {
    const { instructor } = session;
    if (body.id === undefined) await endSessionsOf(db, { instructor: instructor.id }, request);
    else
      await db
        .deleteFrom('session')
        .where('id', '=', body.id)
        .where('instructor_id', '=', instructor.id)
        .execute();
    await record(db, session, 'sessionsEnded', instructor);
    return {};
  });

  return router;

  async function guardedLink(token: string, address: string): ReturnType<typeof readLink> {
    const guards = linkGuard(address);
    await refuseWhileWaiting(db, guards);
    try {
      return await readLink(db, token);
    } catch (error) {
      if (error instanceof HttpProblem) await countFailure(db, guards);
      throw error;
    }
  }

  async function refuseOtherPassword(id: string, typed: string | undefined): Promise<void> {
    const guard = ownPasswordGuard(id);
    await refuseWhileWaiting(db, [guard]);
    await countTry(db, guard);
    const { password_hash: kept } = await db
      .selectFrom('instructor')
      .select('password_hash')
      .where('id', '=', id)
      .executeTakeFirstOrThrow();
    if (kept === null) throw new HttpProblem('refused', toldByServer('noPasswordYet'));
    if (!(await passwordFits(kept, typed ?? '')))
      throw new HttpProblem('refused', toldByServer('wrongPassword'));
    await forgetFailures(db, guard);
  }

  async function sendReset(email: string, base: string): Promise<void> {
    const account = await db
      .selectFrom('instructor')
      .select(['id', 'name'])
      .where('email', '=', email)
      .executeTakeFirst();
    if (!account) return;
    const { address } = await makeLink(db, base, { email, instructor: account.id });
    await mail!(
      email,
      'A new password for Bogen',
      `Hello ${account.name},\n\nsomebody, we hope you, asked for a new password for your account. Set it within a day at\n\n${address}\n\nIf it was not you, nothing has to be done: your password stays as it is.\n`,
    );
  }
}

interface NewAccount {
  readonly email: string;
  readonly name: string;
  readonly password_hash: string | null;
  readonly role: 'administrator' | 'instructor';
  readonly issuer?: string;
  readonly subject?: string;
}

/** @throws HttpProblem `name-taken` where there is an account with the address */
export async function insertAccount(tx: Db | Tx, account: NewAccount): Promise<Account> {
  try {
    return await tx
      .insertInto('instructor')
      .values(account)
      .returning(['id', 'name', 'email', 'role'])
      .executeTakeFirstOrThrow();
  } catch (error) {
    throw addressTaken(error, account.email) ?? error;
  }
}

const addressTaken = (error: unknown, email: string): HttpProblem | undefined =>
  brokenConstraint(error)?.includes('email')
    ? new HttpProblem('name-taken', toldByServer('addressTaken', { email }))
    : undefined;
