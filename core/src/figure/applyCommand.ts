import { CurveError } from '../curve/error.js';
import { CommandError, type Applied } from '../history/history.js';
import { figureCommands, type FigureCommand, type SingleFigureCommand } from './command/commands.js';
import type { CommandMember } from './command/define.js';
import type { FigureDocument } from './document.js';

type Result = Applied<FigureDocument, FigureCommand>;

/** The member of a command, taken for one that fits it. */
function memberOf(command: SingleFigureCommand): CommandMember<SingleFigureCommand> {
  return figureCommands[command.name] as unknown as CommandMember<SingleFigureCommand>;
}

/**
 * Applies one command to a figure. The document given is not changed; items that the command does not
 * touch are the same objects in the new one, by which `evaluateFigure` knows what to keep.
 * @returns the new document and the command that leads back to the old one, exactly
 * @throws CommandError with one sentence where the command does not fit the document
 */
export function applyFigureCommand(document: FigureDocument, command: FigureCommand): Result {
  try {
    const inverses: SingleFigureCommand[] = [];
    let changed = document;
    for (const single of singleCommands(command)) {
      const applied = memberOf(single).apply(changed, single);
      changed = applied.document;
      inverses.unshift(...singleCommands(applied.inverse));
    }
    if (command.name !== 'batch' && inverses.length === 1)
      return { document: changed, inverse: inverses[0]! };
    return { document: changed, inverse: { name: 'batch', commands: inverses } };
  } catch (error) {
    if (error instanceof CurveError) throw new CommandError(error.told);
    throw error;
  }
}

/** The parts of a command, in order. */
export function singleCommands(command: FigureCommand): readonly SingleFigureCommand[] {
  return command.name === 'batch' ? command.commands : [command];
}

/**
 * Whether a reader may give this command: moves of loose points, and setting a curve that has loose
 * points back to what it was at the start.
 * @param start the figure as it was published
 */
export function readerMay(document: FigureDocument, command: FigureCommand, start: FigureDocument): boolean {
  return singleCommands(command).every(
    (single) => memberOf(single).readerMay?.(document, single, start) ?? false,
  );
}

/** What a command changes, as paths; `pathsMeet` tells whether two lead to the same. */
export function touchesOfFigureCommand(command: FigureCommand): readonly string[] {
  return singleCommands(command).flatMap((single) => memberOf(single).touches(single));
}
