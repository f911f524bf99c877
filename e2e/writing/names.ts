import { isCurveItem, type FigureDocument } from '@bogen/core/figure';

const letters = { controlPoints: 'PQRSTUVW', editPoints: 'EFGHJKLM' } as const;

/** A point as the figure names it: its curves have letters of their own, in their order, but for faint copies. */
export function pointNameOf(
  { items }: FigureDocument,
  id: string,
  index: number,
  of: keyof typeof letters = 'controlPoints',
): string {
  const curves = items.filter((item) => isCurveItem(item) && !(item.kind === 'curve' && item.faint));
  return `${letters[of][curves.findIndex((item) => item.id === id)]!}${index}`;
}

export const itemName = ({ items }: FigureDocument, id: string): string =>
  items.find((item) => item.id === id)!.name;
