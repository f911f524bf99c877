import { batchLimits, toldByServer } from '@bogen/contract';
import type { Step } from '@bogen/core/lesson';
import { sql } from 'kysely';
import { perDatabase } from '../db/batches.js';
import type { Db, Tx } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';
import { SharedGate } from '../pool/gate.js';
import { appendAtOnce } from './appendAtOnce.js';
import { Applying } from './applying.js';
import { StepRows } from './stepRows.js';
import { readDocument, readStream, snapshotEvery } from './stream.js';
import type { StreamKind } from './kind.js';
import { textOf, tried } from './steps.js';

/** So many steps of others, and so many bytes of them, a stale client gets to join its own with. */
const mostSince = { steps: 500, bytes: 2_000_000 };

/**
 * Appends steps to a stream in one transaction. Steps that are there already, from a request whose
 * answer was lost, are passed over, so that sending twice is safe. Nothing of the log is read but, for an undo
 * or a redo, the one step that it is about.
 * @throws HttpProblem `stale` with the present state, and what was done since, where other steps came in since
 *   `base`; `refused` with the id of the step that does not fit, in which case nothing was saved
 */
export async function appendSteps<Document, Command>(
  db: Db,
  id: string,
  author: string,
  { base, steps }: { base: number; steps: readonly Step<Command>[] },
  kind: StreamKind<Document, Command>,
): Promise<{ revision: number }> {
  refuseTooManyCommands(steps, kind);
  return (
    (await appendAtOnce(db, id, author, base, steps, kind)) ?? appendInTurn(db, id, author, base, steps, kind)
  );
}

/** A connection is held all the while, so that nobody gets more than one of them. */
const inTurn = perDatabase(() => new SharedGate(1, 20));

/** Any case, one after the other with whoever else appends. */
function appendInTurn<Document, Command>(
  db: Db,
  id: string,
  author: string,
  base: number,
  steps: readonly Step<Command>[],
  kind: StreamKind<Document, Command>,
): Promise<{ revision: number }> {
  return inTurn(db).pass(author, () =>
    db.transaction().execute(async (tx) => {
      const stream = await tx
        .selectFrom('stream')
        .select('revision')
        .where('id', '=', id)
        .forUpdate()
        .executeTakeFirst();
      // It was erased with whoever it belonged to.
      if (!stream) throw new HttpProblem('not-found', toldByServer('workNotYours'));
      const known = await tx
        .selectFrom('stream_step')
        .select('id')
        .where('stream_id', '=', id)
        .where(
          'id',
          'in',
          steps.map((step) => step.id),
        )
        .execute();
      const fresh = steps.filter((step) => !known.some((other) => other.id === step.id));
      // A client whose steps are all there is only up to date when nothing else came in since its base.
      if (base + known.length !== stream.revision) {
        throw new HttpProblem('stale', toldByServer('changedElsewhere'), {
          current: {
            ...(await readStream(tx, id, kind, author)),
            since: await since(tx, id, kind, base, steps),
          },
        });
      }
      if (fresh.length === 0) return { revision: stream.revision };
      const { document } = await readDocument(tx, id, kind);
      const applying = new Applying(kind, document);
      let { revision } = stream;
      const rows = new StepRows<Command>(tx, id, author, kind.version);
      for (const step of fresh) {
        revision++;
        await tried(step, async () => {
          if (step.kind === 'do') {
            await rows.done(revision, step, await applying.do(step.command));
          } else {
            const change = await rows.next(step.kind, kind.readCommand);
            const effect = step.kind === 'undo' ? change.inverse : change.command;
            const inverse = await applying.again(effect);
            await rows.undoneOrRedone(revision, step, change.revision, effect, inverse);
          }
        });
        if (revision % snapshotEvery === 0) {
          await tx
            .insertInto('stream_snapshot')
            .values({ stream_id: id, revision, document: JSON.stringify(applying.document) })
            .execute();
        }
      }
      await rows.flush();
      await tx
        .updateTable('stream')
        .set({
          document: textOf(applying.document, fresh),
          document_revision: revision,
          revision,
          changed_at: sql<Date>`now()`,
        })
        .where('id', '=', id)
        .execute();
      return { revision };
    }),
  );
}

function refuseTooManyCommands<Document, Command>(
  steps: readonly Step<Command>[],
  kind: StreamKind<Document, Command>,
): void {
  const count = steps.reduce((sum, step) => sum + (step.kind === 'do' ? kind.size(step.command) : 1), 0);
  if (count > batchLimits.commands) {
    throw new HttpProblem(
      'bad-request',
      toldByServer('tooManyCommands', { most: batchLimits.commands, count }),
    );
  }
}

/** What others did since a revision, as the commands that it came down to; `null` where that is too much to join. */
async function since<Document, Command>(
  tx: Tx,
  id: string,
  kind: StreamKind<Document, Command>,
  base: number,
  own: readonly Step<Command>[],
): Promise<Command[] | null> {
  const { rows } = await sql<{ isTooMuch: true } | { isTooMuch: false; effect: Command; version: number }>`
    select "isTooMuch", version, case when not "isTooMuch" then coalesce(effect, command) end as effect
    from (
      select *, count(*) over () > ${mostSince.steps} or sum(bytes) over () > ${mostSince.bytes} as "isTooMuch"
      from (
        select * from stream_step
        where stream_id = ${id} and revision > ${base} and id <> all(${own.map((step) => step.id)}::uuid[])
        order by revision limit ${mostSince.steps + 1}
      ) as others
    ) as judged order by revision`.execute(tx);
  const joined: Command[] = [];
  for (const row of rows) {
    if (row.isTooMuch) return null;
    joined.push(kind.readCommand(row.effect, row.version));
  }
  return joined;
}
