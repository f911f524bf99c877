import { told, ToldError, type Told } from '../told/told.js';
/**
 * Undo and redo. Everything that changes a document is a step: a command done, an undo, or a redo. Undo is the
 * author's own: it takes back the last step that the same person did, whatever others did since.
 */
export type Step<Command> =
  | { readonly id: string; readonly kind: 'do'; readonly command: Command; readonly at?: string }
  | { readonly id: string; readonly kind: 'undo' | 'redo'; readonly at?: string };

/** A command that was done, with the command that takes it back. */
export interface Change<Command> {
  /** The id of the step that did it. */
  readonly id: string;
  readonly command: Command;
  readonly inverse: Command;
}

/** What a command did: the new document, and the command that leads back to the old one, exactly. */
export interface Applied<Document, Command> {
  readonly document: Document;
  readonly inverse: Command;
}

/** Applies a command to a document; throws a `CommandError` and changes nothing where it can't. */
export type Apply<Document, Command> = (document: Document, command: Command) => Applied<Document, Command>;

/** What can be undone and redone, the next to go last in each list. */
export interface UndoLists<Command> {
  readonly undoable: readonly Change<Command>[];
  readonly redoable: readonly Change<Command>[];
}

/** A document with what can be undone and redone. */
export interface History<Document, Command> extends UndoLists<Command> {
  readonly document: Document;
}

/** A command that can't be applied, and what is wrong. */
export class CommandError extends ToldError {
  override readonly name = 'CommandError';

  constructor(what: Told) {
    super(what);
  }
}

/** A document with nothing done to it yet. */
export function startHistory<Document, Command>(document: Document): History<Document, Command> {
  return { document, undoable: [], redoable: [] };
}

/** The change that an undo or redo is about, if there is one. */
export function changeOf<Command>(
  lists: UndoLists<Command>,
  kind: 'undo' | 'redo',
): Change<Command> | undefined {
  return (kind === 'undo' ? lists.undoable : lists.redoable).at(-1);
}

/**
 * The history after one more step.
 * @returns the command that the step came down to with it
 * @throws CommandError when the command can't be applied, or there is nothing to undo or redo
 */
export function advance<Document, Command>(
  history: History<Document, Command>,
  step: Step<Command>,
  apply: Apply<Document, Command>,
): { readonly history: History<Document, Command>; readonly effect: Command } {
  const { undoable, redoable } = history;
  if (step.kind === 'do') {
    const { command } = step;
    const { document, inverse } = apply(history.document, command);
    return {
      history: { document, undoable: [...undoable, { id: step.id, command, inverse }], redoable: [] },
      effect: command,
    };
  }
  const change = changeOf(history, step.kind);
  if (!change) throw new CommandError(told(step.kind === 'undo' ? 'nothingToUndo' : 'nothingToRedo'));
  if (step.kind === 'undo') {
    const { document } = apply(history.document, change.inverse);
    return {
      history: { document, undoable: undoable.slice(0, -1), redoable: [...redoable, change] },
      effect: change.inverse,
    };
  }
  // Done again after others changed the document, it may be taken back otherwise than before.
  const { document, inverse } = apply(history.document, change.command);
  return {
    history: {
      document,
      undoable: [...undoable, { ...change, inverse }],
      redoable: redoable.slice(0, -1),
    },
    effect: change.command,
  };
}
