import { type FigureCommand, singleCommands } from '../command/commands.js';
import { differenceOf } from './difference.js';
import type { FigureDocument } from '../document/document.js';

/**
 * The command by which a reader starts over, or `undefined` where everything is as it was.
 * @param start the figure as the stage gave it
 */
export function startOver(document: FigureDocument, start: FigureDocument): FigureCommand | undefined {
  const commands = differenceOf(document, start).flatMap(singleCommands);
  return commands.length > 0 ? { name: 'batch', commands } : undefined;
}
