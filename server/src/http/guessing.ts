import { toldByServer } from '@bogen/contract';
import { sql } from 'kysely';
import type { Db } from '../db/connect.js';
import { HttpProblem } from './problem.js';

/**
 * What stands against guessing a password, a class code or a return key. Each secret is guarded under keys of
 * its own (an account, a code, an address): a number of failures is free, then each further one makes the next
 * try wait twice as long. Only failures count; refusals and successes do not. Counts rest in PostgreSQL, so
 * that all server processes share them.
 */
export interface Guard {
  readonly key: string;
  /** Failures before the first wait. */
  readonly free: number;
  /** The longest wait in seconds. */
  readonly longest: number;
}

/**
 * When a key does not wait. It is long ago and not now, since what began a moment earlier would take this moment for the
 * future.
 */
const past = sql<Date>`to_timestamp(0)`;

/** After so long without a failure a key starts anew. */
const memory = '1 hour';

/** @throws HttpProblem `too-many-requests` while one of the keys has to wait */
export async function refuseWhileWaiting(db: Db, guards: readonly Guard[]): Promise<void> {
  const row = await db
    .selectFrom('guess')
    .select(sql<number>`extract(epoch from waits_until - now())`.as('seconds'))
    .where(
      'key',
      'in',
      guards.map(({ key }) => key),
    )
    .where('waits_until', '>', sql<Date>`now()`)
    .orderBy('waits_until', 'desc')
    .limit(1)
    .executeTakeFirst();
  if (row) throw waiting(Number(row.seconds));
}

/** Counts one failure under each key. */
export async function countFailure(db: Db, guards: readonly Guard[]): Promise<void> {
  for (const guard of guards) await count(db, guard, false);
}

/**
 * Counts a try before it is known how it ends, so that many tries at once can't slip by together. `forgetFailures`
 * takes it back when it succeeded.
 * @throws HttpProblem `too-many-requests` while the key has to wait
 */
export async function countTry(db: Db, guard: Guard): Promise<void> {
  if (await count(db, guard, true)) return;
  await refuseWhileWaiting(db, [guard]);
}

/** After a success nothing is held against a key. Keys that are long forgotten go with it. */
export async function forgetFailures(db: Db, guard: Guard): Promise<void> {
  await db
    .deleteFrom('guess')
    .where((or) =>
      or.or([
        or('key', '=', guard.key),
        or('failed_at', '<', sql<Date>`now() - interval '${sql.raw(memory)}'`),
      ]),
    )
    .execute();
}

/** Takes one counted try back that did not fail, and leaves the failures before it. */
export async function discountTry(db: Db, guard: Guard): Promise<void> {
  await db
    .updateTable('guess')
    .set({ failures: sql<number>`greatest(failures - 1, 0)`, waits_until: past })
    .where('key', '=', guard.key)
    .execute();
}

/** @returns whether it was counted, and not left since the key has to wait */
async function count(db: Db, { key, free, longest }: Guard, onlyIfNotWaiting: boolean): Promise<boolean> {
  const failures = sql<number>`case when guess.failed_at < now() - interval '${sql.raw(memory)}' then 1 else guess.failures + 1 end`;
  const { rows } = await sql<{ key: string }>`
    insert into guess (key, failures, failed_at, waits_until) values (${key}, 1, now(), ${past})
    on conflict (key) do update set
      failures = ${failures},
      failed_at = now(),
      waits_until = case when ${failures} <= ${free} then ${past}
        else now() + least(${longest}, power(2, least(${failures} - ${free} - 1, 20))) * interval '1 second' end
    ${onlyIfNotWaiting ? sql`where guess.waits_until <= now()` : sql``}
    returning key`.execute(db);
  return rows.length > 0;
}

function waiting(seconds: number): HttpProblem {
  const retryAfter = Math.max(1, Math.ceil(seconds));
  return retryAfter < 90
    ? new HttpProblem('too-many-requests', toldByServer('tooManyTries', { seconds: retryAfter }), {
        retryAfter,
      })
    : new HttpProblem(
        'too-many-requests',
        toldByServer('tooManyTriesMinutes', { minutes: Math.ceil(retryAfter / 60) }),
        { retryAfter },
      );
}
