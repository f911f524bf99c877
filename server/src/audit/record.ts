import type { AuditAction } from '@bogen/contract';
import type { Db, Tx } from '../db/connect.js';
import type { Session } from '../http/session.js';

/** Somebody or something by id and name; the name is kept, since who is erased has none any more. */
export interface Named {
  readonly id: string | null;
  readonly name: string;
}

/**
 * Writes down who did what to whom. Given within a transaction, so that nothing is done without being written down.
 * @param by `null` for what nobody signed in did
 */
export async function record(
  db: Db | Tx,
  by: Session | Named | null,
  action: AuditAction,
  to?: Named | null,
  detail?: string | null,
): Promise<void> {
  const who = by && 'who' in by ? named(by) : by;
  await db
    .insertInto('audit')
    .values({
      by_id: who?.id ?? null,
      by_name: who?.name ?? null,
      action,
      to_id: to?.id ?? null,
      to_name: to?.name ?? null,
      detail: detail ?? null,
    })
    .execute();
}

function named(session: Session): Named | null {
  if (session.who === 'nobody') return null;
  return session.who === 'instructor' ? session.instructor : session.student;
}
