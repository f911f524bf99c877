import type { Field } from '../../describe/describe.js';
import type { Applied } from '../../history/history.js';
import type { FigureDocument } from '../document/document.js';

/** Commands that are applied and taken back as one. */
export interface Batch<Command> {
  readonly name: 'batch';
  readonly commands: readonly Command[];
}

/**
 * A member of the registry of figure commands: everything about it that is no interface. What leads back from it is a
 * command of the same name, unless another type is given.
 */
export interface CommandMember<Command, Back = Command> {
  /** The whole command, its name with it. Which ids it refers to follows from it. */
  readonly description: Field;
  /**
   * Applies it, and finds the command that leads back exactly.
   * @throws CommandError with one sentence where it does not fit the document
   */
  readonly apply: (document: FigureDocument, command: Command) => Applied<FigureDocument, Back | Batch<Back>>;
  /**
   * What it changes, as paths such as `a/points/3` or `shown/comb`. Two commands of two people can both be kept
   * where no path of one leads to a path of the other.
   */
  readonly touches: (command: Command) => readonly string[];
  /** Whether it changes only how a figure is shown and used, and no shape. */
  readonly leavesShape?: true;
  /** Whether a second one that changes the same makes the first needless. */
  readonly isFinal?: true;
  /**
   * Whether a reader may give it; never where absent.
   * @param start the figure as it was published
   */
  readonly readerMay?: (document: FigureDocument, command: Command, start: FigureDocument) => boolean;
}
