import { handlesOfItem, type Evaluation, type FigureDocument } from '@bogen/core/figure';

/** What the set of handles and tracks depends on, as a text to compare. */
export function structureOf(document: FigureDocument, evaluation: Evaluation): string {
  const items = document.items.map((item) => {
    const { id, name, kind, hidden, locked, shown, color, lineWeight } = item;
    const parts =
      kind === 'curve'
        ? [item.curve.points.length, item.curve.degree, item.curve.periodic, item.faint]
        : kind === 'shape'
          ? [item.shape.kind, handlesOfItem(item, evaluation).length]
          : kind === 'built'
            ? [item.operation.name, handlesOfItem(item, evaluation).length]
            : [];
    return [id, name, kind, hidden, locked, shown, color, lineWeight, ...parts];
  });
  const { loose, shown, looks, rail, view } = document;
  return JSON.stringify([items, loose, shown, looks, rail, view]);
}
