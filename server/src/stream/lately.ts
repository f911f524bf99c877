import { LRUCache } from 'lru-cache';
import { perDatabase } from '../db/batches.js';
import type { Db } from '../db/connect.js';

/** The document of a stream at a revision, as this process knows it. */
export interface KnownDocument {
  readonly document: unknown;
  readonly revision: number;
  /** The revision from which it is counted when it is to be written again: mostly that at which it was written last. */
  readonly written: number;
  /** How large it was then, as JSON. */
  readonly bytes: number;
}

/** Bytes of all documents that are kept in mind, as JSON, and of one. */
const most = { all: 24_000_000, one: 60_000 };

/**
 * Documents that were saved lately. A document at a revision never changes, so that one that is known at the revision
 * that a save begins from need not be read; whether the stream is still there the writing finds out.
 */
export const lately = perDatabase(
  (_: Db) =>
    new LRUCache<string, KnownDocument>({
      maxSize: most.all,
      maxEntrySize: most.one,
      // What is known of a small document takes room as well.
      sizeCalculation: ({ bytes }) => bytes + 1000,
    }),
);
