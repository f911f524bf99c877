import type { FigureItem } from '@bogen/core/figure';

/** Without those that mean something beside a point (edit points, basis functions, control points) or look like a number. */
const letters = 'ABCDFGHJKLMQSTVWXYZ';

/** Names for reference points that are not taken: A, B, … Z, A2, B2, … */
export function referenceNames(items: readonly FigureItem[]): () => string {
  const taken = new Set(items.map(({ name }) => name));
  let index = 0;
  return () => {
    for (;;) {
      const turn = Math.floor(index / letters.length);
      const name = letters[index % letters.length]! + (turn > 0 ? String(turn + 1) : '');
      index++;
      if (!taken.has(name)) {
        taken.add(name);
        return name;
      }
    }
  };
}
