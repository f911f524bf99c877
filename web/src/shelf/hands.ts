import type { ShelfChange } from './useShelf.js';

/** What was done just now, and how it is taken back. */
export interface Done {
  readonly words: string;
  readonly undo?: ShelfChange;
}

/** What the parts of the shelf do: change something and say so, or say what went wrong. */
export interface ShelfHands {
  readonly does: (change: ShelfChange, done: Done) => void;
  readonly tells: (problem: string) => void;
  /** Says what was done elsewhere. */
  readonly says: (words: string) => void;
}
