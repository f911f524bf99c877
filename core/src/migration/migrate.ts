import { told } from '../told/told.js';
import { CommandError } from '../history/history.js';

/** A stored document of some version, not yet known to be whole. */
export type Versioned = Readonly<Record<string, unknown>> & { readonly version: number };

/** The way from version n to n + 1, for each n: a pure function of the old document. */
export type Migrations = Readonly<Record<number, (old: Versioned) => Readonly<Record<string, unknown>>>>;

/**
 * Brings a stored document of any earlier version to the current one, one step after the other.
 * @throws CommandError where the document has no version, a newer one, or one that no way leads from
 */
export function migrate(stored: unknown, current: number, migrations: Migrations): Versioned {
  if (typeof stored !== 'object' || stored === null || !('version' in stored)) {
    throw new CommandError(told('noVersion'));
  }
  let document = stored as Versioned;
  if (!Number.isInteger(document.version) || document.version < 1) {
    throw new CommandError(told('unknownVersion', { version: String(document.version) }));
  }
  if (document.version > current) {
    throw new CommandError(told('newerVersion', { version: document.version, current }));
  }
  while (document.version < current) {
    const { version } = document;
    const step = migrations[version];
    if (!step) throw new CommandError(told('noMigration', { version, next: version + 1 }));
    document = { ...step(document), version: version + 1 };
  }
  return document;
}
