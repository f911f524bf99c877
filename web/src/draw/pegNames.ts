import type { FigureItem } from '@bogen/core';

/** Names for reference points: A, B, … Z, A2, B2, … that are not taken. */
export function pegNames(items: readonly FigureItem[]): () => string {
  const taken = new Set(items.map(({ name }) => name));
  let index = 0;
  return () => {
    for (;;) {
      const turn = Math.floor(index / 26);
      const name = String.fromCharCode(65 + (index % 26)) + (turn > 0 ? String(turn + 1) : '');
      index++;
      if (!taken.has(name)) {
        taken.add(name);
        return name;
      }
    }
  };
}
