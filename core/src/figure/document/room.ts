import type { FigureDocument } from './document.js';
import { figureLimits } from '../part/parts.js';

/** Something of which only so much may be there. */
export interface Filled<What extends string> {
  readonly of: What;
  /** The item, where it is counted by item. */
  readonly item?: string;
  readonly used: number;
  readonly most: number;
}

/** What of a figure is counted. */
export type FigureFilled = Filled<'items' | 'points'>;

/** How much of what a figure may hold is there. */
export function filledOfFigure({ items }: FigureDocument): readonly FigureFilled[] {
  return [
    { of: 'items', used: items.length, most: figureLimits.items },
    ...items.flatMap((item): readonly FigureFilled[] =>
      item.kind === 'curve'
        ? [{ of: 'points', item: item.name, used: item.curve.points.length, most: figureLimits.points }]
        : [],
    ),
  ];
}

/**
 * What is nearly as much as there may be, so that it can be told before something is refused.
 * @param share from which part of what may be there it counts, between 0 and 1
 * @returns the fullest first
 */
export const nearlyFull = <F extends Filled<string>>(all: readonly F[], share = 0.9): readonly F[] =>
  all.filter(({ used, most }) => used >= share * most).toSorted((a, b) => b.used / b.most - a.used / a.most);
