import { sql } from 'kysely';
import { Batches, perDatabase } from '../db/batches.js';
import type { Db } from '../db/connect.js';
import { storedColumns, type Stored } from './present.js';

/** A stream at the revision from which somebody wants to go on. */
interface Wanted {
  readonly id: string;
  readonly base: number;
}

/** Reads streams that are at the revision that is expected, all at the same moment together; `undefined` where one is not. */
export const storedAt = perDatabase(
  (db: Db) =>
    new Batches(async (wanted: readonly Wanted[]): Promise<readonly (Stored | undefined)[]> => {
      const places = sql<{ number: number; id: string; base: number }>`jsonb_to_recordset(${JSON.stringify(
        wanted.map((one, number) => ({ number, ...one })),
      )}::jsonb)`;
      const rows = await db
        .selectFrom(places.as<'wanted'>(sql`wanted (number integer, id uuid, base integer)`))
        .innerJoin('stream', (join) =>
          join.onRef('stream.id', '=', 'wanted.id').onRef('stream.revision', '=', 'wanted.base'),
        )
        .select(['wanted.number', ...storedColumns])
        .execute();
      const found = new Map(rows.map((row) => [row.number, row]));
      return wanted.map((_, number) => found.get(number));
    }, 2),
);

/** A step with what takes it back, as it is written. */
export interface WrittenStep {
  readonly id: string;
  readonly revision: number;
  readonly command: unknown;
  readonly inverse: unknown;
  readonly at: string | null;
}

/** What becomes of a stream, where it is still at the revision that this began from. */
interface Written {
  readonly id: string;
  readonly base: number;
  readonly revision: number;
  /** As JSON; `undefined` where it need not be written this time. */
  readonly document: string | undefined;
  readonly author: string;
  readonly version: number;
  readonly steps: readonly WrittenStep[];
}

/**
 * Writes what was done to streams, those of the same moment in one statement and one commit: each either with all its
 * steps or, where somebody else was there first or a step is there already, not at all. Of two for the same stream one is written, as they both
 * began from the same revision.
 * @returns for each whether it was written
 */
export const savedBy = perDatabase(
  (db: Db) =>
    new Batches(async (written: readonly Written[]): Promise<readonly boolean[]> => {
      // The first of a stream: a statement changes a row once.
      const first = [...new Map(written.toReversed().map((one) => [one.id, one])).values()];
      const given = `[${first
        .map(({ document, ...rest }) => {
          // The ids beside the steps: what is there already is found by them, however long the log is.
          const text = JSON.stringify({ ...rest, ids: rest.steps.map(({ id }) => id) });
          return document === undefined ? text : `${text.slice(0, -1)},"document":${document}}`;
        })
        .join(',')}]`;
      const { rows } = await sql<{ id: string }>`
        with given as (
          select * from jsonb_to_recordset(${given}::jsonb) as given
            (id uuid, base integer, revision integer, document jsonb, author uuid, version integer, steps jsonb, ids uuid[])
        ), saved as (
          update stream set document = coalesce(given.document, stream.document), revision = given.revision,
            document_revision = case when given.document is null then document_revision else given.revision end,
            changed_at = now()
          from given where stream.id = given.id and stream.revision = given.base and not exists (
            select from stream_step as known where known.stream_id = given.id and known.id = any(given.ids)
          )
          returning stream.id
        ), dropped as (
          update stream_step set state = 'dropped' from given join saved on saved.id = given.id
          where stream_step.stream_id = given.id and stream_step.author = given.author
            and stream_step.kind = 'do' and stream_step.state = 'undone'
        ), steps as (
          insert into stream_step (stream_id, revision, id, kind, command, inverse, state, author, client_at, version)
          select given.id, step.revision, step.id, 'do', step.command, step.inverse, 'done', given.author, step.at,
            given.version
          from given join saved on saved.id = given.id
          cross join lateral jsonb_to_recordset(given.steps)
            as step (id uuid, revision integer, command jsonb, inverse jsonb, at timestamptz)
        )
        select id from saved`.execute(db);
      const saved = new Set(rows.map(({ id }) => id));
      return written.map((one) => saved.has(one.id) && first.includes(one));
    }, 1),
);
