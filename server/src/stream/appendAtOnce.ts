import type { Step } from '@bogen/core/lesson';
import type { Db } from '../db/connect.js';
import { Applying } from './applying.js';
import { savedBy, storedAt, type WrittenStep } from './atOnce.js';
import { lately, type KnownDocument } from './lately.js';
import { presentDocument } from './present.js';
import { snapshotEvery } from './stream.js';
import type { StreamKind } from './kind.js';
import { textOf, tried } from './steps.js';

/**
 * The usual case in one reading and one writing: things that were done, on the revision that is there. Nothing is held in
 * between, and the writing takes place only where the revision is still the same.
 * @returns `undefined` where it is another case, and nothing was written
 * @throws HttpProblem as `appendSteps` does
 */
export async function appendAtOnce<Document, Command>(
  db: Db,
  id: string,
  author: string,
  base: number,
  steps: readonly Step<Command>[],
  kind: StreamKind<Document, Command>,
): Promise<{ revision: number } | undefined> {
  const done = steps.filter((step) => step.kind === 'do');
  const revision = base + steps.length;
  if (done.length < steps.length || Math.floor(base / snapshotEvery) < Math.floor(revision / snapshotEvery))
    return undefined;
  const known = await knownAt(db, id, base, kind);
  if (!known) return undefined;
  const applying = new Applying(kind, known.document);
  const written: WrittenStep[] = [];
  for (const [index, step] of done.entries()) {
    const inverse = await tried(step, () => applying.do(step.command));
    written.push({
      id: step.id,
      revision: base + index + 1,
      command: step.command,
      inverse,
      at: step.at ?? null,
    });
  }
  const { document } = applying;
  const text = isLeft(kind, known, revision, written) ? undefined : textOf(document, steps);
  const isSaved = await savedBy(db).get({
    id,
    base,
    revision,
    document: text,
    author,
    version: kind.version,
    steps: written,
  });
  if (!isSaved) {
    lately(db).delete(id);
    return undefined;
  }
  if (kind.documentEvery)
    lately(db).set(id, {
      document,
      revision,
      written: text === undefined ? known.written : revision - aheadOf(id, known, kind.documentEvery),
      bytes: text?.length ?? known.bytes,
    });
  return { revision };
}

/** The document at a revision: as it is known here, or else as it is stored; `undefined` where the stream is elsewhere. */
async function knownAt<Document, Command>(
  db: Db,
  id: string,
  base: number,
  kind: StreamKind<Document, Command>,
): Promise<(KnownDocument & { document: Document }) | undefined> {
  const known = lately(db).get(id);
  if (known?.revision === base) return known as KnownDocument & { document: Document };
  const stored = await storedAt(db).get({ id, base });
  if (!stored) return undefined;
  const { written } = stored;
  // How large it is, is known when it has been written once.
  return { document: await presentDocument(kind, stored), revision: base, written, bytes: Infinity };
}

/**
 * By how many revisions a document is written earlier the next time. A whole class begins at the same moment and saves in
 * step: each stream has a turn of its own, so that their documents are not all written with the same save.
 */
const aheadOf = (id: string, { bytes }: KnownDocument, every: number): number =>
  bytes === Infinity ? parseInt(id.slice(-4), 16) % every : 0;

/** So many bytes of steps may come in without the document being written. */
const smallSteps = 2000;

/** Whether the document need not be written with these steps. */
function isLeft<Document, Command>(
  kind: StreamKind<Document, Command>,
  known: KnownDocument,
  revision: number,
  steps: readonly WrittenStep[],
): boolean {
  return (
    kind.documentEvery !== undefined &&
    known.bytes < Infinity &&
    revision - known.written < kind.documentEvery &&
    !steps.some(({ command }) => kind.elsewhere?.takesLong(command as Command)) &&
    JSON.stringify(steps).length <= smallSteps
  );
}
