/**
 * Undo and redo as a log. Everything that changes a document is a step: a command done, an undo, or a
 * redo. The log alone says what can be undone and redone, so undo survives a reload, and server and
 * browser come to the same document from the same steps.
 */
export type Step<Command> =
  | { readonly id: string; readonly kind: 'do'; readonly command: Command }
  | { readonly id: string; readonly kind: 'undo' }
  | { readonly id: string; readonly kind: 'redo' };

/** A command with the command that takes it back. */
export interface Change<Command> {
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

/** A document with what can be undone and redone, the next to go last in each list. */
export interface History<Document, Command> {
  readonly document: Document;
  readonly undoable: readonly Change<Command>[];
  readonly redoable: readonly Change<Command>[];
}

/** A command that can't be applied: what is wrong, in one sentence. */
export class CommandError extends Error {
  override readonly name = 'CommandError';
}

/** A document with nothing done to it yet. */
export function startHistory<Document, Command>(document: Document): History<Document, Command> {
  return { document, undoable: [], redoable: [] };
}

/**
 * The history after one more step.
 * @throws CommandError when the command can't be applied, or there is nothing to undo or redo
 */
export function advance<Document, Command>(
  history: History<Document, Command>,
  step: Step<Command>,
  apply: Apply<Document, Command>,
): History<Document, Command> {
  const { document, undoable, redoable } = history;
  if (step.kind === 'do') {
    const applied = apply(document, step.command);
    const change = { command: step.command, inverse: applied.inverse };
    return { document: applied.document, undoable: [...undoable, change], redoable: [] };
  }
  const from = step.kind === 'undo' ? undoable : redoable;
  const change = from.at(-1);
  if (!change) throw new CommandError(`There is nothing to ${step.kind}.`);
  if (step.kind === 'undo') {
    return {
      document: apply(document, change.inverse).document,
      undoable: undoable.slice(0, -1),
      redoable: [...redoable, change],
    };
  }
  return {
    document: apply(document, change.command).document,
    undoable: [...undoable, change],
    redoable: redoable.slice(0, -1),
  };
}

/** A step as it was logged: a done one with the inverse that was found when it was applied. */
export type LoggedStep<Command> =
  | ({ readonly id: string; readonly kind: 'do' } & Change<Command>)
  | { readonly id: string; readonly kind: 'undo' | 'redo' };

/**
 * The history that a log leads to, given the document that the log ended with. A log that was cut off at
 * its beginning gives what can still be undone from the rest of it.
 */
export function historyFromLog<Document, Command>(
  document: Document,
  log: readonly LoggedStep<Command>[],
): History<Document, Command> {
  const undoable: Change<Command>[] = [];
  let redoable: Change<Command>[] = [];
  for (const step of log) {
    if (step.kind === 'do') {
      undoable.push({ command: step.command, inverse: step.inverse });
      redoable = [];
    } else if (step.kind === 'undo') {
      const change = undoable.pop();
      if (change) redoable.push(change);
    } else {
      const change = redoable.pop();
      if (change) undoable.push(change);
    }
  }
  return { document, undoable, redoable };
}
