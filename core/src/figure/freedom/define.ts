import type { SingleFigureCommand } from '../command/commands.js';
import type { FigureDocument } from '../document/document.js';

/** A member of the registry of what readers may be allowed to do: everything about it that is no interface. */
export interface FreedomMember<Freedom> {
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
  /** The freedom that allows a command which was just given, so that readers may do the like. */
  readonly from: (command: SingleFigureCommand, now: FigureDocument) => Freedom | undefined;
  /** One freedom that gives what both give; nothing where they are about different things. */
  readonly joined: (first: Freedom, second: Freedom) => Freedom | undefined;
}

/** Each of two lists' entries once. */
export const union = <Entry>(first: readonly Entry[], second: readonly Entry[]): Entry[] => [
  ...new Set([...first, ...second]),
];
