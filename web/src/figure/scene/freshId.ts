import type { FigureDocument } from '@bogen/core/figure';

/** An id that no item of the figure has. */
export function freshId({ items }: FigureDocument, alsoTaken: ReadonlySet<string> = new Set()): string {
  for (;;) {
    const id = `i${Math.random().toString(36).slice(2, 9)}`;
    if (!alsoTaken.has(id) && !items.some((item) => item.id === id)) return id;
  }
}
