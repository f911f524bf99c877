import { toldByServer } from '@bogen/contract';
import { sql } from 'kysely';
import type { Db, Tx } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';
import { hashSecret, normaliseCode, randomCode } from '../http/secret.js';

/**
 * The code with which the first account is made. It stands on the console of whoever started the server, and
 * nowhere else, so that nobody who merely finds the address becomes its administrator.
 */

/** Makes the code anew, where nobody has an account yet. @returns the code, to be printed; `undefined` where there is an account */
export async function newFirstCode(db: Db): Promise<string | undefined> {
  if (await hasAccounts(db)) return undefined;
  const code = randomCode(3, 4);
  const code_hash = hashSecret(normaliseCode(code));
  await db
    .insertInto('first_code')
    .values({ code_hash })
    .onConflict((conflict) => conflict.column('is_only').doUpdateSet({ code_hash }))
    .execute();
  return code;
}

export async function hasAccounts(db: Db | Tx): Promise<boolean> {
  return (await db.selectFrom('instructor').select('id').limit(1).executeTakeFirst()) !== undefined;
}

/**
 * Takes the code: it is good for one account alone, also when two are sent at once.
 * @throws HttpProblem where it is another, or there is an account already
 */
export async function takeFirstCode(tx: Tx, typed: string): Promise<void> {
  // Whoever comes second waits here, and then finds that there is an account.
  await sql`lock table first_code in exclusive mode`.execute(tx);
  if (await hasAccounts(tx)) throw new HttpProblem('refused', toldByServer('firstAccountThere'));
  const taken = await tx
    .deleteFrom('first_code')
    .where('code_hash', '=', hashSecret(normaliseCode(typed)))
    .returning('is_only')
    .executeTakeFirst();
  if (!taken) throw new HttpProblem('wrong-code', toldByServer('wrongFirstCode'));
}
