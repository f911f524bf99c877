import type { Point } from '../curve/curve.js';
import type { FigureCommand, SingleFigureCommand } from './command.js';
import { itemOf, type FigureDocument, type PointKind } from './document.js';

/** Whether a point is loose, so that a student may move it. */
export function isLoose(document: FigureDocument, item: string, of: PointKind, index: number): boolean {
  return document.loose[item]?.[of].includes(index) ?? false;
}

/**
 * Whether a student may give this command: moves of loose points, and setting a curve that has loose
 * points back to what it was at the start.
 * @param start the figure as it was published
 */
export function studentMay(document: FigureDocument, command: FigureCommand, start: FigureDocument): boolean {
  switch (command.name) {
    case 'moveControlPoint':
      return isLoose(document, command.item, 'controlPoints', command.index);
    case 'moveEditPoint':
      return isLoose(document, command.item, 'editPoints', command.index);
    case 'setPoints': {
      const item = itemOf(start, command.item);
      return (
        item?.kind === 'curve' &&
        hasLoosePoints(document, item.id) &&
        samePoints(item.curve.points, command.points)
      );
    }
    case 'batch':
      return command.commands.every((part) => studentMay(document, part, start));
    default:
      return false;
  }
}

/**
 * The command by which a student starts over, or `undefined` where every curve is as it was.
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

function hasLoosePoints(document: FigureDocument, item: string): boolean {
  const loose = document.loose[item];
  return loose !== undefined && loose.controlPoints.length + loose.editPoints.length > 0;
}

function samePoints(a: readonly Point[], b: readonly Point[]): boolean {
  return (
    a.length === b.length &&
    a.every((point, index) => point.every((coordinate, axis) => coordinate === b[index]![axis]))
  );
}
