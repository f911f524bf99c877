import { sql } from 'kysely';
import { Applying } from './applying.js';
import type { StreamKind } from './kind.js';

/** A document as it was written last, and what was done to it since. */
export interface Stored {
  readonly document: unknown;
  readonly revision: number;
  /** The revision at which the document was written. */
  readonly written: number;
  /** The commands of the steps after that, in their order; `null` where there are none. */
  readonly since: readonly { readonly command: unknown; readonly version: number }[] | null;
}

/** The columns of `Stored`, of a statement that reads `stream`: all of one moment, so that steps and document fit. */
export const storedColumns = [
  'stream.document',
  'stream.revision',
  'stream.document_revision as written',
  sql<Stored['since']>`case when stream.document_revision < stream.revision then (
    select jsonb_agg(jsonb_build_object('command', coalesce(effect, command), 'version', version) order by later.revision)
    from stream_step as later
    where later.stream_id = stream.id and later.revision > stream.document_revision and later.revision <= stream.revision
  ) end`.as('since'),
] as const;

/** The present document of what is stored. */
export async function presentDocument<Document, Command>(
  kind: StreamKind<Document, Command>,
  { document, since }: Stored,
): Promise<Document> {
  const applying = new Applying(kind, kind.read(document));
  for (const { command, version } of since ?? [])
    await applying.again(kind.readCommand(command as Command, version));
  return applying.document;
}
