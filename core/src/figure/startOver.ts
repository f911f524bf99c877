import type { FigureCommand, SingleFigureCommand } from './command/commands.js';
import { samePoints } from './command/setPoints.js';
import { itemOf, type FigureDocument } from './document.js';

/**
 * The command by which a reader starts over, or `undefined` where every curve is as it was.
 * @param start the figure as it was published
 */
export function startOver(document: FigureDocument, start: FigureDocument): FigureCommand | undefined {
  const commands = start.items.flatMap((item): SingleFigureCommand[] => {
    const now = itemOf(document, item.id);
    if (item.kind !== 'curve' || now?.kind !== 'curve' || samePoints(item.curve.points, now.curve.points))
      return [];
    return [{ name: 'setPoints', item: item.id, points: item.curve.points }];
  });
  return commands.length > 0 ? { name: 'batch', commands } : undefined;
}
