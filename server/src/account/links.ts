import { toldByServer } from '@bogen/contract';
import { sql } from 'kysely';
import type { Db, Tx } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';
import { hashSecret, randomToken } from '../http/secret.js';

const day = 24 * 60 * 60 * 1000;
/** How long links can be used: an invitation a week, one for a new password a day. */
const lifetimes = { invitation: 7 * day, reset: day };
/** How many links for a new password one account can have at a time; asking for more by mail is refused. */
const mostResets = 5;

export interface MadeLink {
  readonly id: string;
  readonly address: string;
  readonly until: Date;
}

interface Wanted {
  readonly email: string;
  /** Of an invitation: what the person becomes. */
  readonly role?: 'administrator' | 'instructor';
  /** Of a link for a new password: whose. */
  readonly instructor?: string;
  /** Who made it; nobody where it was asked for by mail. */
  readonly by?: string;
}

/**
 * Makes a link. Its secret stands behind the # of the address, which browsers send to nobody, so that it is in no
 * log of a server or a proxy. Another invitation to the same address takes the place of the one before.
 * @throws HttpProblem `too-many-requests` where the account has many links already
 */
export async function makeLink(db: Db | Tx, base: string, wanted: Wanted): Promise<MadeLink> {
  const token = randomToken();
  const kind = wanted.role ? 'invitation' : 'reset';
  const until = new Date(Date.now() + lifetimes[kind]);
  await db.deleteFrom('link').where('expires_at', '<', new Date()).execute();
  if (wanted.role)
    await db.deleteFrom('link').where('kind', '=', 'invitation').where('email', '=', wanted.email).execute();
  if (wanted.instructor) {
    const { count } = await db
      .selectFrom('link')
      .where('instructor_id', '=', wanted.instructor)
      .select(sql<number>`count(*)::integer`.as('count'))
      .executeTakeFirstOrThrow();
    if (count >= mostResets)
      throw new HttpProblem('too-many-requests', toldByServer('tooManyGoingOn'), { retryAfter: 3600 });
  }
  const { id } = await db
    .insertInto('link')
    .values({
      token_hash: hashSecret(token),
      kind,
      email: wanted.email,
      role: wanted.role ?? null,
      instructor_id: wanted.instructor ?? null,
      made_by: wanted.by ?? null,
      expires_at: until,
    })
    .returning('id')
    .executeTakeFirstOrThrow();
  return { id, address: `${base}/link#${token}`, until };
}

export interface FoundLink {
  readonly id: string;
  readonly kind: 'invitation' | 'reset';
  readonly email: string;
  readonly role: 'administrator' | 'instructor' | null;
  readonly instructor: string | null;
  readonly name: string | null;
  readonly until: Date;
}

/** What a link is for. @throws HttpProblem `not-found` where it does not work any more */
export async function readLink(db: Db | Tx, token: string): Promise<FoundLink> {
  const link = await db
    .selectFrom('link')
    .leftJoin('instructor', 'instructor.id', 'link.instructor_id')
    .where('token_hash', '=', hashSecret(token))
    .where('expires_at', '>', new Date())
    .select([
      'link.id',
      'link.kind',
      'link.email',
      'link.role',
      'link.instructor_id as instructor',
      'instructor.name',
      'link.expires_at as until',
    ])
    .executeTakeFirst();
  if (!link) throw new HttpProblem('not-found', toldByServer('linkNotThere'));
  return link;
}

/** Takes a link, which then works no more; of two who use it at once one is too late. @throws HttpProblem `not-found` */
export async function takeLink(tx: Tx, id: string): Promise<void> {
  const taken = await tx.deleteFrom('link').where('id', '=', id).returning('id').executeTakeFirst();
  if (!taken) throw new HttpProblem('not-found', toldByServer('linkNotThere'));
}
