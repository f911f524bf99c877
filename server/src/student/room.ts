import { rosterLimits, toldByServer } from '@bogen/contract';
import type { Tx } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';

/**
 * Refuses more students than a class has room for. The class is held until the transaction ends, so that many who
 * come at once are counted one after the other.
 * @throws HttpProblem `refused`
 */
export async function refuseFullClass(tx: Tx, id: string, more: number): Promise<void> {
  await tx.selectFrom('class').select('id').where('id', '=', id).forUpdate().execute();
  const { count } = await tx
    .selectFrom('student')
    .where('class_id', '=', id)
    .where('removed_at', 'is', null)
    .select((select) => select.fn.countAll<string>().as('count'))
    .executeTakeFirstOrThrow();
  if (Number(count) + more > rosterLimits.most)
    throw new HttpProblem('refused', toldByServer('classFull', { most: rosterLimits.most }));
}
