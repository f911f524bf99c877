import type { FigureCommand } from './command.js';
import type { FigureDocument, PointKind } from './document.js';

/** Whether a point is loose, so that a student may move it. */
export function isLoose(document: FigureDocument, item: string, of: PointKind, index: number): boolean {
  return document.loose[item]?.[of].includes(index) ?? false;
}

/** Whether a student may give this command: only moves of loose points. */
export function studentMay(document: FigureDocument, command: FigureCommand): boolean {
  switch (command.name) {
    case 'moveControlPoint':
      return isLoose(document, command.item, 'controlPoints', command.index);
    case 'moveEditPoint':
      return isLoose(document, command.item, 'editPoints', command.index);
    case 'batch':
      return command.commands.every((part) => studentMay(document, part));
    default:
      return false;
  }
}
