import { looseOf, type FigureDocument, type LoosePoints, type PointKind } from './document.js';

/** Nothing of this curve may be moved by a reader. */
export const nothingLoose: LoosePoints = { controlPoints: [], editPoints: [] };

/** Whether a point is loose, so that a reader may move it. */
export function isLoose(document: FigureDocument, item: string, of: PointKind, index: number): boolean {
  return looseOf(document, item)?.[of].includes(index) ?? false;
}

/** Indices ascending, each once. */
export const ascending = (indices: readonly number[]): number[] =>
  [...new Set(indices)].sort((a, b) => a - b);

/** Loose points as a document keeps them. */
export const inOrder = ({ controlPoints, editPoints }: LoosePoints): LoosePoints => ({
  controlPoints: ascending(controlPoints),
  editPoints: ascending(editPoints),
});

/** Whether a reader may do anything with a figure. */
export function isAnythingFree({ loose, readersMay = [] }: FigureDocument): boolean {
  return (
    readersMay.length > 0 ||
    Object.values(loose).some(({ controlPoints, editPoints }) => controlPoints.length + editPoints.length > 0)
  );
}
