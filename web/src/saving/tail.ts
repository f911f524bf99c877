import type { UnsentStep } from './unsent.js';

/** The key under which the last steps stand until the database has them: this alone is written before a page can go. */
export const tailPrefix = (document: string): string => `bogen:tail:${document}:`;

/** Where everything unsent stood before there was the database, in commands of version 1. */
export const oldPrefix = (document: string): string => `bogen:unsent:${document}:`;

/** Larger tails are left to the database alone: the room for texts is small. */
export const largestTail = 1_000_000;

export interface Tail {
  readonly base: number;
  readonly version?: number;
  readonly unsent: readonly UnsentStep<unknown>[];
}

/** A tail as an earlier page left it; one that can't be read is none. */
export function readTail(text: string | null): Tail | undefined {
  try {
    const tail = JSON.parse(text ?? '') as Tail;
    return Array.isArray(tail.unsent) && typeof tail.base === 'number' ? tail : undefined;
  } catch {
    return undefined;
  }
}
