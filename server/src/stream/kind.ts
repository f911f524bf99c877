import type { Applied, Apply } from '@bogen/core/lesson';

/** How one kind of document is read and changed. */
export interface StreamKind<Document, Command> {
  readonly apply: Apply<Document, Command>;
  /** Brings a stored document to the current version. */
  readonly read: (stored: unknown) => Document;
  /** The version that commands are stored under. */
  readonly version: number;
  /** Brings a stored command of an earlier version to the current one. */
  readonly readCommand: (stored: Command, version: number) => Command;
  /** How many commands are in one. */
  readonly size: (command: Command) => number;
  /** Throws where this caller may not give this command. */
  readonly permit?: (document: Document, command: Command) => void;
  /**
   * After how many revisions its document has to be written at the latest, where steps are small: what reads it replays
   * those that came since. Without it the document is written with every step, so that SQL can read it.
   */
  readonly documentEvery?: number;
  /** What takes long is permitted and applied in a thread of its own. */
  readonly elsewhere?: Elsewhere<Document, Command>;
}

interface Elsewhere<Document, Command> {
  readonly takesLong: (command: Command) => boolean;
  /** @param isAsked whether it has to be found out if this caller may give it */
  readonly apply: (
    document: Document,
    command: Command,
    isAsked: boolean,
  ) => Promise<Applied<Document, Command>>;
}
