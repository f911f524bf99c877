import type { Field } from '../../describe/describe.js';
import type { SingleFigureCommand } from '../command/commands.js';
import type { FigureDocument } from '../document.js';

/** A member of the registry of what readers may be allowed to do: everything about it that is no interface. */
export interface FreedomMember<Freedom> {
  readonly description: Field;
  /**
   * Whether it allows a command.
   * @param now the figure as the reader has it
   * @param start the figure as the stage gave it
   */
  readonly permits: (
    freedom: Freedom,
    command: SingleFigureCommand,
    now: FigureDocument,
    start: FigureDocument,
  ) => boolean;
}
