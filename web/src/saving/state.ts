import type { Apply, History, Step, UndoLists } from '@bogen/core/lesson';
import type { LocalSteps } from './localSteps.js';
import type { AsideStep } from './unsent.js';

/** A document as the server holds it, with what can be undone of it. */
export interface ServerState<Document, Command> extends UndoLists<Command> {
  readonly document: Document;
  readonly revision: number;
  /** Whether more can be undone than was handed out. */
  readonly more: boolean;
  /** Ids of the newest steps. */
  readonly recent: readonly string[];
  /** In answer to a stale request: what was done since, where that is known. */
  readonly since?: readonly Command[] | null;
}

export type SaveStatus = 'saved' | 'saving' | 'offline' | 'signed-out' | 'closed' | 'conflict';

/** What came of bringing two sides' changes together. */
interface Merged {
  /** How many of the own changes are made again on the newer state. */
  readonly kept: number;
  /** How many of these the other side had changed too, so that the own, later ones stand. */
  readonly over: number;
  /** How many did not fit any more; they are set aside. */
  readonly dropped: number;
}

export interface EditedState<Document, Command> {
  readonly history: History<Document, Command>;
  /** The document as it is seen now: with what a drag that is not finished would do. */
  readonly shown: Document;
  readonly status: SaveStatus;
  /** Number of steps that the server has not confirmed. */
  readonly unsent: number;
  /** Steps that can't be saved, to be read and copied. */
  readonly aside: readonly AsideStep<Command>[];
  /** Whether the device keeps nothing more, so that what is not sent rests in this page alone. */
  readonly deviceFull: boolean;
  /** With `conflict`: the newer state on the server. */
  readonly newer: ServerState<Document, Command> | null;
  readonly merged: Merged | null;
}

export interface EditedOptions<Document, Command> {
  readonly initial: ServerState<Document, Command>;
  readonly apply: Apply<Document, Command>;
  /** Sends steps; not given where nothing is saved (a preview). */
  readonly send?: (base: number, steps: readonly Step<Command>[]) => Promise<{ revision: number }>;
  /** Asks for the present state, when more has to be undone than was handed out. */
  readonly load?: () => Promise<ServerState<Document, Command>>;
  readonly local?: LocalSteps<Command>;
  /**
   * What to do where others changed the same meanwhile: ask, or make the own changes again on top. Changes that
   * do not meet are joined without a question.
   */
  readonly onStale: 'ask' | 'merge';
  /** What a command changes, as paths. */
  readonly touches: (command: Command) => readonly string[];
  /** How many commands are in one. */
  readonly size?: (command: Command) => number;
  /** The sentence for a step that is too large to be sent. */
  readonly tooLarge?: string;
}

/** The state of a document to which nothing has been done yet. */
export function freshState<Document, Command>(document: Document): ServerState<Document, Command> {
  return { document, revision: 0, undoable: [], redoable: [], more: false, recent: [] };
}
