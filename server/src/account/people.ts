import { toldByServer } from '@bogen/contract';
import { Router } from 'express';
import { sql } from 'kysely';
import type { Logger } from 'pino';
import { record } from '../audit/record.js';
import type { Settings } from '../config/settings.js';
import type { Db, Tx } from '../db/connect.js';
import { baseOf } from '../http/base.js';
import { eraseInstructor } from '../forget/erase.js';
import { HttpProblem } from '../http/problem.js';
import { route } from '../http/route.js';
import type { Mail } from '../mail/send.js';
import { makeLink, type MadeLink } from './links.js';
import type { Account } from './own.js';

/** Who works here, as administrators see and change it. */
export function peopleRouter(db: Db, settings: Settings, mail: Mail | undefined, log: Logger): Router {
  const router = Router();

  route(router, db, 'people', async () => {
    const people = await db
      .selectFrom('instructor')
      .select((select) => [
        'id',
        'name',
        'email',
        'role',
        'is_demo as isDemo',
        select
          .selectFrom('course')
          .whereRef('course.instructor_id', '=', 'instructor.id')
          .where('course.deleted_at', 'is', null)
          .select(sql<number>`count(*)::integer`.as('count'))
          .as('courses'),
        select
          .selectFrom('session')
          .whereRef('session.instructor_id', '=', 'instructor.id')
          .select((max) => max.fn.max('seen_at').as('seen'))
          .as('seen'),
      ])
      .orderBy('name')
      .execute();
    const invitations = await db
      .selectFrom('link')
      .leftJoin('instructor', 'instructor.id', 'link.made_by')
      .select(['link.id', 'link.email', 'link.role', 'link.expires_at as until', 'instructor.name as by'])
      .where('kind', '=', 'invitation')
      .where('expires_at', '>', new Date())
      .orderBy('link.made_at', 'desc')
      .execute();
    return {
      people: people.map(({ seen, courses, ...person }) => ({
        ...person,
        courses: courses ?? 0,
        seen: seen?.toISOString() ?? null,
      })),
      invitations: invitations.map(({ until, role, ...rest }) => ({
        ...rest,
        role: role!,
        until: until.toISOString(),
      })),
    };
  });

  route(router, db, 'invite', async ({ body, session, request }) => {
    const link = await db.transaction().execute(async (tx) => {
      const known = await tx
        .selectFrom('instructor')
        .select('id')
        .where('email', '=', body.email)
        .executeTakeFirst();
      if (known) throw new HttpProblem('name-taken', toldByServer('addressTaken', { email: body.email }));
      await record(tx, session, 'invited', { id: null, name: body.email }, body.role);
      return makeLink(tx, baseOf(settings, request), { ...body, by: session.instructor.id });
    });
    return told(
      link,
      await mailed(
        body.email,
        'An invitation to Bogen',
        `Hello,\n\n${session.instructor.name} invites you to make an account. It is made within seven days at\n\n${link.address}\n`,
      ),
    );
  });

  route(router, db, 'withdrawInvitation', async ({ params, session }) => {
    await db.transaction().execute(async (tx) => {
      const gone = await tx
        .deleteFrom('link')
        .where('id', '=', params.invitation)
        .where('kind', '=', 'invitation')
        .returning('email')
        .executeTakeFirst();
      if (!gone) throw new HttpProblem('not-found', toldByServer('linkNotThere'));
      await record(tx, session, 'invitationWithdrawn', { id: null, name: gone.email });
    });
    return {};
  });

  route(router, db, 'changePerson', async ({ params, body, session }) => {
    await db.transaction().execute(async (tx) => {
      await holdPeople(tx);
      const person = await personById(tx, params.person);
      if (body.role !== 'administrator') await refuseLast(tx, person);
      await tx.updateTable('instructor').set({ role: body.role }).where('id', '=', person.id).execute();
      await record(tx, session, 'roleChanged', person, body.role);
    });
    return {};
  });

  route(router, db, 'makeResetLink', async ({ params, session, request }) => {
    const { link, person } = await db.transaction().execute(async (tx) => {
      const found = await personById(tx, params.person);
      await record(tx, session, 'resetLinkMade', found);
      return {
        person: found,
        link: await makeLink(tx, baseOf(settings, request), {
          email: found.email,
          instructor: found.id,
          by: session.instructor.id,
        }),
      };
    });
    return told(
      link,
      await mailed(
        person.email,
        'A new password for Bogen',
        `Hello ${person.name},\n\nset a new password for your account within a day at\n\n${link.address}\n`,
      ),
    );
  });

  route(router, db, 'erasePerson', async ({ params, body, session }) => {
    if (params.person === session.instructor.id)
      throw new HttpProblem('refused', toldByServer('notYourself'));
    await db.transaction().execute(async (tx) => {
      await holdPeople(tx);
      const person = await personById(tx, params.person);
      if (body.name.trim() !== person.name) throw new HttpProblem('refused', toldByServer('nameNotRepeated'));
      await refuseLast(tx, person);
      if (body.coursesTo) {
        const heir = await personById(tx, body.coursesTo);
        const given = await tx
          .updateTable('course')
          .set({ instructor_id: heir.id })
          .where('instructor_id', '=', person.id)
          .returning(['id', 'title'])
          .execute();
        // The heir may have been a co-instructor of one of them.
        await tx
          .deleteFrom('course_instructor')
          .where('instructor_id', '=', heir.id)
          .where('course_id', 'in', (own) =>
            own.selectFrom('course').select('id').where('instructor_id', '=', heir.id),
          )
          .execute();
        for (const { id, title } of given)
          await record(tx, session, 'courseHandedOver', { id, name: title }, heir.name);
      }
      await eraseInstructor(tx, person);
      await record(tx, session, 'personErased');
    });
    return {};
  });

  return router;

  /** @returns whether it went out; where not, the administrator still has the link to give */
  async function mailed(to: string, subject: string, text: string): Promise<boolean> {
    if (!mail) return false;
    try {
      await mail(to, subject, text);
      return true;
    } catch (error) {
      log.error({ err: error }, 'mail was not sent');
      return false;
    }
  }
}

const told = ({ address, until }: MadeLink, isMailed: boolean) => ({
  address,
  until: until.toISOString(),
  isMailed,
});

async function personById(tx: Tx, id: string): Promise<Account> {
  const person = await tx
    .selectFrom('instructor')
    .select(['id', 'name', 'email', 'role'])
    .where('id', '=', id)
    .executeTakeFirst();
  if (!person) throw new HttpProblem('not-found', toldByServer('personNotThere'));
  return person;
}

/** Whoever changes roles or erases people does it one after the other, so that two can't take the last role from each other. */
export async function holdPeople(tx: Tx): Promise<void> {
  await sql`select pg_advisory_xact_lock(${4870_012})`.execute(tx);
}

/** There is always somebody who can invite. @throws HttpProblem `refused` where this is the only administrator */
export async function refuseLast(tx: Tx, person: { id: string; role: string }): Promise<void> {
  if (person.role !== 'administrator') return;
  const other = await tx
    .selectFrom('instructor')
    .select('id')
    .where('role', '=', 'administrator')
    .where('id', '!=', person.id)
    .executeTakeFirst();
  if (!other) throw new HttpProblem('refused', toldByServer('lastAdministrator'));
}
