import { itemOf, looksOf, type FigureDocument } from '@bogen/core/figure';

/** One of the drawings into which a figure is laid out: the whole, or one of two curves side by side. */
export interface Pane {
  readonly key: string;
  /** The item that the pane is for, where it is not for all. */
  readonly item: string | null;
  /** Whether an item is drawn here. */
  readonly shows: (item: string | null) => boolean;
}

export const wholePane: Pane = { key: 'whole', item: null, shows: () => true };

/** The panes of a figure: one, or two where two curves that are there stand side by side. */
export function panesOf(document: FigureDocument): readonly Pane[] {
  const pair = looksOf(document).sideBySide;
  if (!pair || pair[0] === pair[1] || !pair.every((id) => itemOf(document, id))) return [wholePane];
  return pair.map((item): Pane => ({
    key: item,
    item,
    shows: (id) => {
      if (id === item) return true;
      const kind = id === null ? undefined : itemOf(document, id)?.kind;
      return kind === 'point' || kind === 'picture';
    },
  }));
}
