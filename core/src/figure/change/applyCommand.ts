import { CurveError } from '../../curve/error.js';
import { CommandError, type Applied } from '../../history/history.js';
import {
  figureCommands,
  singleCommands,
  type FigureCommand,
  type SingleFigureCommand,
} from '../command/commands.js';
import type { CommandMember } from '../command/define.js';
import type { FigureDocument } from '../document/document.js';
import { isPermitted } from '../freedom/freedoms.js';
import { isSameValue } from '../../describe/sameValue.js';

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

/**
 * Whether a reader may give this command: moves of loose points, what the stage allows besides, and going back to how it
 * was at the start.
 * @param start the figure as the stage gave it
 */
export function readerMay(document: FigureDocument, command: FigureCommand, start: FigureDocument): boolean {
  let now = document;
  const singles = singleCommands(command);
  const isAllowed = singles.every((single, index) => {
    const may = memberOf(single).readerMay?.(now, single, start) ?? isPermitted(single, now, start);
    // What comes next in a batch is judged on what it will be given on.
    if (may && index < singles.length - 1) now = memberOf(single).apply(now, single).document;
    return may;
  });
  return isAllowed || leadsBack(document, command, start);
}

/** Whether a command leads to the figure as it was given: that is always allowed. */
function leadsBack(document: FigureDocument, command: FigureCommand, start: FigureDocument): boolean {
  if (command.name !== 'batch') return false;
  try {
    return isSameValue(applyFigureCommand(document, command).document, start);
  } catch (error) {
    if (error instanceof CommandError) return false;
    throw error;
  }
}

/** What a command changes, as paths; `pathsMeet` tells whether two lead to the same. */
export function touchesOfFigureCommand(command: FigureCommand): readonly string[] {
  return singleCommands(command).flatMap((single) => memberOf(single).touches(single));
}

/** Whether a command that comes right after another makes it needless: both set the same, and the later one stands. */
export function makesNeedless(earlier: FigureCommand, later: FigureCommand): boolean {
  const [before, after] = [singleCommands(earlier), singleCommands(later)];
  return (
    before.length === after.length &&
    before.every((single, index) => {
      const other = after[index]!;
      const { isFinal, touches } = memberOf(single);
      return (
        isFinal === true &&
        single.name === other.name &&
        touches(single).join(' ') === touches(other as SingleFigureCommand).join(' ')
      );
    })
  );
}

/** Whether a command changes only how a figure is shown and used, and no shape. */
export function leavesShape(command: FigureCommand): boolean {
  return singleCommands(command).every((single) => memberOf(single).leavesShape === true);
}
