import {
  advance,
  CommandError,
  historyFromLog,
  type Apply,
  type History,
  type LoggedStep,
  type Step,
} from '@bogen/core';
import { createStore, type StoreApi } from 'zustand/vanilla';
import { ApiProblem, NotConnected } from '../api/call.js';
import type { LocalSteps, UnsentStep } from './localSteps.js';

/** A document as the server holds it. */
export interface ServerState<Document, Command> {
  readonly document: Document;
  readonly revision: number;
  readonly log: readonly LoggedStep<Command>[];
}

export type SaveStatus = 'saved' | 'saving' | 'offline' | 'signed-out' | 'refused' | 'conflict';

export interface SessionState<Document, Command> {
  readonly history: History<Document, Command>;
  /** The document as it is seen now: with what a drag that is not finished would do. */
  readonly shown: Document;
  readonly status: SaveStatus;
  /** Number of steps that the server has not confirmed. */
  readonly unsent: number;
  /** Why the server refused a step. */
  readonly refusal: string;
  /** With `conflict`: the newer state on the server. */
  readonly newer: ServerState<Document, Command> | null;
  /** After two sets of changes were brought together: how many did not fit. */
  readonly merged: { readonly dropped: number } | null;
}

export interface SessionOptions<Document, Command> {
  readonly initial: ServerState<Document, Command>;
  readonly apply: Apply<Document, Command>;
  /** Sends steps; not given where nothing is saved (a preview). */
  readonly send?: (base: number, steps: readonly Step<Command>[]) => Promise<{ revision: number }>;
  readonly local?: LocalSteps<Command>;
  /** What to do when others changed the document meanwhile: ask, or put the own steps on top. */
  readonly onStale: 'ask' | 'merge';
}

/** Steps that go to the server in one request. */
const mostAtOnce = 200;

/**
 * A document being changed: its history, what a drag shows, and the saving of every step. Steps are
 * written on the device first, then sent in order; where the server can't be reached they wait and are
 * sent later, and the server passes over those that it has already.
 */
export class DocumentSession<Document, Command> {
  readonly store: StoreApi<SessionState<Document, Command>>;
  private base: number;
  private unsent: UnsentStep<Command>[] = [];
  private sending = false;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private wait = 1000;
  private disposed = false;
  /** Turn what is being typed into a step; called before anything that must see it. */
  private readonly typing = new Set<() => void>();

  constructor(private readonly options: SessionOptions<Document, Command>) {
    const { initial, local } = options;
    this.base = initial.revision;
    const history = historyFromLog(initial.document, initial.log);
    this.store = createStore(() => ({
      history,
      shown: history.document,
      status: 'saved' as SaveStatus,
      unsent: 0,
      refusal: '',
      newer: null,
      merged: null,
    }));
    const known = new Set(initial.log.map(({ id }) => id));
    for (const { base, unsent } of local?.readOthers() ?? []) {
      const confirmed = unsent.filter(({ step }) => known.has(step.id)).length;
      const rest = unsent.filter(({ step }) => !known.has(step.id));
      if (rest.length > 0)
        this.adopt(rest, base + confirmed === initial.revision && this.unsent.length === 0);
    }
    this.remember();
    local?.forgetOthers();
    if (this.store.getState().status !== 'conflict') void this.flush();
  }

  /** Does a command as one step that can be undone. @throws CommandError where it does not fit */
  do(command: Command): void {
    this.step({ id: crypto.randomUUID(), kind: 'do', command });
  }

  /** Shows what a command would do, without doing it; `null` leaves no trace. */
  preview(command: Command | null): void {
    const { document } = this.store.getState().history;
    this.store.setState({
      shown: command === null ? document : this.options.apply(document, command).document,
    });
  }

  undo(): void {
    this.finishTyping();
    if (this.store.getState().history.undoable.length > 0)
      this.step({ id: crypto.randomUUID(), kind: 'undo' });
  }

  redo(): void {
    this.finishTyping();
    if (this.store.getState().history.redoable.length > 0)
      this.step({ id: crypto.randomUUID(), kind: 'redo' });
  }

  /** Registers a field whose typing becomes a step a little later. @returns how to take it away */
  addTyping(finish: () => void): () => void {
    this.typing.add(finish);
    return () => this.typing.delete(finish);
  }

  /** Makes steps of whatever is typed and not yet a step. */
  finishTyping(): void {
    this.typing.forEach((finish) => finish());
  }

  /** Tries at once to send what waits. */
  retry(): void {
    clearTimeout(this.timer);
    this.wait = 1000;
    void this.flush();
  }

  /** Whether every step is on the server. */
  get isSaved(): boolean {
    return this.unsent.length === 0;
  }

  get revision(): number {
    return this.base;
  }

  /** Settles when everything is on the server, or saving has come to a stop. */
  whenSaved(): Promise<boolean> {
    const done = (): boolean | undefined => {
      const { status } = this.store.getState();
      return this.isSaved ? true : status === 'saving' || status === 'saved' ? undefined : false;
    };
    const now = done();
    if (now !== undefined) return Promise.resolve(now);
    return new Promise((resolve) => {
      const stop = this.store.subscribe(() => {
        const result = done();
        if (result === undefined) return;
        stop();
        resolve(result);
      });
    });
  }

  /** Ends a conflict by making the own changes again on the newer state. */
  putOnTop(): void {
    const { newer } = this.store.getState();
    if (newer) this.rebase(newer);
  }

  /** Drops what the server has not confirmed, in a conflict or after a refusal. */
  takeNewer(newer: ServerState<Document, Command>): void {
    this.base = newer.revision;
    this.unsent = [];
    this.remember();
    const history = historyFromLog(newer.document, newer.log);
    this.store.setState({ history, shown: history.document, status: 'saved', newer: null, refusal: '' });
  }

  /** Forgets what the server has not confirmed; the page is then loaded again. */
  discardUnsent(): void {
    this.unsent = [];
    this.remember();
  }

  dispose(): void {
    this.disposed = true;
    clearTimeout(this.timer);
  }

  private step(step: Step<Command>): void {
    const { history, status } = this.store.getState();
    const change = step.kind === 'undo' ? history.undoable.at(-1) : history.redoable.at(-1);
    const effect =
      step.kind === 'do' ? step.command : step.kind === 'undo' ? change!.inverse : change!.command;
    const next = advance(history, step, this.options.apply);
    this.unsent.push({ step, effect });
    this.store.setState({ history: next, shown: next.document, merged: null });
    this.remember();
    if (status !== 'conflict' && status !== 'refused') void this.flush();
  }

  private remember(): void {
    if (!this.options.send) this.unsent = [];
    this.options.local?.write(this.base, this.unsent);
    this.store.setState({ unsent: this.unsent.length });
  }

  private async flush(): Promise<void> {
    const { send } = this.options;
    if (!send || this.sending || this.unsent.length === 0 || this.disposed) return;
    clearTimeout(this.timer);
    this.sending = true;
    const sent = this.unsent.slice(0, mostAtOnce);
    if (this.store.getState().status === 'saved') this.store.setState({ status: 'saving' });
    let failed = true;
    try {
      const { revision } = await send(
        this.base,
        sent.map(({ step }) => step),
      );
      this.base = revision;
      this.unsent = this.unsent.slice(sent.length);
      this.wait = 1000;
      this.remember();
      this.store.setState({ status: this.unsent.length === 0 ? 'saved' : 'saving' });
      failed = false;
    } catch (error) {
      this.handle(error);
    } finally {
      this.sending = false;
    }
    if (!failed) void this.flush();
  }

  private handle(error: unknown): void {
    if (error instanceof ApiProblem && error.problem.type === 'stale') {
      const newer = error.problem.current as ServerState<Document, Command>;
      const known = new Set(newer.log.map(({ id }) => id));
      const open = this.unsent.some(({ step }) => !known.has(step.id));
      if (open && this.options.onStale === 'ask') this.store.setState({ status: 'conflict', newer });
      else this.rebase(newer);
    } else if (error instanceof ApiProblem && error.problem.type === 'not-signed-in') {
      this.store.setState({ status: 'signed-out' });
    } else if (error instanceof ApiProblem && error.problem.status < 500 && error.problem.status !== 429) {
      this.store.setState({ status: 'refused', refusal: error.problem.detail });
    } else {
      if (!(error instanceof NotConnected || error instanceof ApiProblem)) console.error(error);
      this.store.setState({ status: 'offline' });
      if (this.disposed) return;
      this.timer = setTimeout(() => void this.flush(), this.wait);
      this.wait = Math.min(this.wait * 2, 15_000);
    }
  }

  /** Makes the unsent changes again on a newer state, as steps of their own. */
  private rebase(newer: ServerState<Document, Command>): void {
    const known = new Set(newer.log.map(({ id }) => id));
    const mine = this.unsent.filter(({ step }) => !known.has(step.id));
    const history = historyFromLog(newer.document, newer.log);
    this.base = newer.revision;
    this.unsent = [];
    this.store.setState({ history, shown: history.document, status: 'saved', newer: null });
    const dropped = mine.length === 0 ? null : { dropped: this.redoOnTop(mine) };
    this.remember();
    this.store.setState({ merged: dropped });
    void Promise.resolve().then(() => this.flush());
  }

  /** Applies the effects of steps as new steps. @returns how many did not fit */
  private redoOnTop(steps: readonly UnsentStep<Command>[]): number {
    let dropped = 0;
    for (const { effect } of steps) {
      const step: Step<Command> = { id: crypto.randomUUID(), kind: 'do', command: effect };
      try {
        const history = advance(this.store.getState().history, step, this.options.apply);
        this.unsent.push({ step, effect });
        this.store.setState({ history, shown: history.document });
      } catch (error) {
        if (!(error instanceof CommandError)) throw error;
        dropped++;
      }
    }
    return dropped;
  }

  /** Takes over steps that an earlier page left: as they are where they fit, else on top. */
  private adopt(steps: readonly UnsentStep<Command>[], fits: boolean): void {
    if (fits) {
      try {
        let { history } = this.store.getState();
        for (const { step } of steps) history = advance(history, step, this.options.apply);
        this.unsent.push(...steps);
        this.store.setState({ history, shown: history.document });
        return;
      } catch (error) {
        if (!(error instanceof CommandError)) throw error;
      }
    }
    if (this.options.onStale === 'ask') {
      // The question is put by the page; until it is answered the steps stay on the device.
      this.unsent.push(...steps);
      this.store.setState({ status: 'conflict', newer: this.options.initial });
    } else {
      this.store.setState({ merged: { dropped: this.redoOnTop(steps) } });
    }
  }
}

/** Whether what a session shows is done, or the preview of what is in the hand. */
export function motionOf<Document, Command>({ store }: DocumentSession<Document, Command>): 'rest' | 'hand' {
  const { shown, history } = store.getState();
  return shown === history.document ? 'rest' : 'hand';
}
