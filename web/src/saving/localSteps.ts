import type { Step } from '@bogen/core';

/** Steps that the server has not confirmed yet, with the command that each came down to. */
export interface UnsentStep<Command> {
  readonly step: Step<Command>;
  /** What the step did to the document: for an undo, the inverse. */
  readonly effect: Command;
}

interface Stored<Command> {
  readonly base: number;
  readonly unsent: readonly UnsentStep<Command>[];
}

/**
 * Unsent steps on this device, written at once with every step, so that a page that is closed in the
 * next moment loses nothing. Each page writes under a key of its own; a page that opens the same
 * document adopts what earlier ones left behind.
 */
export class LocalSteps<Command> {
  private readonly prefix: string;
  private readonly own: string;

  constructor(
    documentKey: string,
    private readonly storage: Storage = localStorage,
  ) {
    this.prefix = `bogen:unsent:${documentKey}:`;
    this.own = this.prefix + crypto.randomUUID();
  }

  write(base: number, unsent: readonly UnsentStep<Command>[]): void {
    if (unsent.length === 0) this.storage.removeItem(this.own);
    else this.storage.setItem(this.own, JSON.stringify({ base, unsent } satisfies Stored<Command>));
  }

  /** What other pages left, oldest first. It stays there until `forgetOthers`. */
  readOthers(): Stored<Command>[] {
    return this.otherKeys().flatMap((key) => {
      try {
        const stored = JSON.parse(this.storage.getItem(key) ?? '') as Stored<Command>;
        return Array.isArray(stored.unsent) && typeof stored.base === 'number' ? [stored] : [];
      } catch {
        return [];
      }
    });
  }

  forgetOthers(): void {
    this.otherKeys().forEach((key) => this.storage.removeItem(key));
  }

  private otherKeys(): string[] {
    return Array.from({ length: this.storage.length }, (_, index) => this.storage.key(index)).filter(
      (key): key is string => key !== null && key.startsWith(this.prefix) && key !== this.own,
    );
  }
}
