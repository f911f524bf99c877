import {
  advance,
  changeOf,
  cleanValue,
  CommandError,
  mayNeedCleaning,
  told,
  type History,
  type Step,
} from '@bogen/core/lesson';
import { createStore, type StoreApi } from 'zustand/vanilla';
import { ApiProblem, NotConnected } from '../api/call.js';
import { reasonOf, type Reason } from '../text/told.js';
import { batchLength, isTooLargeAlone, type Sized } from './batch.js';
import { judgeAgainst, type Verdict } from './judge.js';
import { newId } from './newId.js';
import type { EditedOptions, EditedState, SaveStatus, ServerState } from './state.js';
import { bytesOf, type AsideStep, type UnsentStep } from './unsent.js';

/** An unsent step with what it led to, and how much of a request it takes. */
interface Waiting<Document, Command> extends UnsentStep<Command>, Sized {
  readonly after: History<Document, Command>;
}

/** Fewer steps to undo than this, and more are asked for. */
const fewUndoable = 10;

/** Problems that end with the step and not with the connection. */
const forGood = new Set(['bad-request', 'too-large', 'refused', 'too-costly']);
/** Problems that no step of this document can get past. */
const forAll = new Set(['not-found', 'not-allowed']);

/**
 * A document being changed: its history, what a drag shows, and the saving of every step. Steps are
 * written on the device first, then sent in order; where the server can't be reached they wait and are
 * sent later, and the server passes over those that it has already. A step that can't be saved is set aside, and
 * what follows it is saved.
 *
 * One file, though long: each of its steps changes the same queue, and is only right beside the others.
 */
export class EditedDocument<Document, Command> {
  readonly store: StoreApi<EditedState<Document, Command>>;
  private base: number;
  /** The history as the server has confirmed it. */
  private confirmed: History<Document, Command>;
  private more: boolean;
  private unsent: Waiting<Document, Command>[] = [];
  /** How many steps go in one request: one alone while it is looked for which of them is refused. */
  private most = Infinity;
  private sending = false;
  private loading = false;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private wait = 1000;
  private disposed = false;
  /** Turn what is being typed into a step; called before anything that must see it. */
  private readonly typing = new Set<() => void>();

  constructor(private readonly options: EditedOptions<Document, Command>) {
    const { initial, local } = options;
    this.base = initial.revision;
    this.more = initial.more;
    this.confirmed = historyOf(initial);
    this.store = createStore(() => ({
      history: this.confirmed,
      shown: this.confirmed.document,
      status: 'saved' as SaveStatus,
      unsent: 0,
      aside: local?.aside ?? [],
      deviceFull: false,
      newer: null,
      merged: null,
    }));
    const known = new Set(initial.recent);
    for (const { base, unsent } of local?.left ?? []) {
      const rest = unsent.filter(({ step }) => !known.has(step.id));
      this.adopt(rest, base + unsent.length - rest.length);
    }
    this.remember();
    local?.forgetLeft();
    local?.onTrouble((deviceFull) => this.store.setState({ deviceFull }));
    void this.flush();
  }

  /** Does a command as one step that can be undone. @throws CommandError where it does not fit */
  do(command: Command): void {
    this.step({ id: newId(), kind: 'do', command, at: new Date().toISOString() });
  }

  /** Shows what a command would do, without doing it; `null` leaves no trace. */
  preview(command: Command | null): void {
    const { document } = this.store.getState().history;
    this.store.setState({
      shown: command === null ? document : this.options.apply(document, command).document,
    });
  }

  /** @returns the command that it came down to, where there was something to undo */
  undo(): Command | undefined {
    return this.undoOrRedo('undo');
  }

  /** @returns the command that it came down to, where there was something to redo */
  redo(): Command | undefined {
    return this.undoOrRedo('redo');
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
    if (newer) this.rebase(newer, () => 'over');
  }

  /** Ends a conflict by dropping what the server has not confirmed. */
  takeNewer(newer: ServerState<Document, Command>): void {
    this.unsent = [];
    this.begin(newer);
    this.remember();
    this.show({ status: 'saved', newer: null });
  }

  /** Forgets what was set aside, when it has been read. */
  forgetAside(): void {
    this.store.setState({ aside: [] });
    this.options.local?.forgetAside();
  }

  dispose(): void {
    this.disposed = true;
    clearTimeout(this.timer);
    this.options.local?.close();
  }

  private undoOrRedo(kind: 'undo' | 'redo'): Command | undefined {
    this.finishTyping();
    if (!changeOf(this.store.getState().history, kind)) return undefined;
    return this.step({ id: newId(), kind, at: new Date().toISOString() });
  }

  /** @returns the command that the step came down to */
  private step(given: Step<Command>): Command {
    const step = mayNeedCleaning(JSON.stringify(given)) ? cleanValue(given) : given;
    const waiting = this.waiting(this.last, step);
    if (!this.options.send) {
      this.confirmed = waiting.after;
      this.show({ merged: null });
      return waiting.effect;
    }
    this.unsent.push(waiting);
    this.show({ merged: null });
    this.remember();
    if (this.store.getState().status !== 'conflict') void this.flush();
    return waiting.effect;
  }

  /** The history after the last step. */
  private get last(): History<Document, Command> {
    return this.unsent.at(-1)?.after ?? this.confirmed;
  }

  /** A step after a history. @throws CommandError where it does not fit */
  private waiting(before: History<Document, Command>, step: Step<Command>): Waiting<Document, Command> {
    const of = step.kind === 'do' ? undefined : changeOf(before, step.kind)?.id;
    const { history, effect } = advance(before, step, this.options.apply);
    return {
      step,
      effect,
      ...(of === undefined ? {} : { of }),
      after: history,
      bytes: bytesOf(step),
      commands: step.kind === 'do' ? (this.options.size?.(step.command) ?? 1) : 1,
    };
  }

  private show(more: Partial<EditedState<Document, Command>>): void {
    const history = this.last;
    this.store.setState({ history, shown: history.document, ...more });
  }

  private begin(state: ServerState<Document, Command>): void {
    this.base = state.revision;
    this.more = state.more;
    this.confirmed = historyOf(state);
  }

  private remember(): void {
    this.options.local?.write(
      this.base,
      this.unsent.map(({ step, effect, of }) => ({ step, effect, ...(of === undefined ? {} : { of }) })),
    );
    this.store.setState({ unsent: this.unsent.length });
  }

  private async flush(): Promise<void> {
    const { send } = this.options;
    if (!send || this.sending || this.disposed || this.store.getState().status === 'conflict') return;
    clearTimeout(this.timer);
    const tooLarge = this.unsent.filter(isTooLargeAlone).map(({ step }) => step.id);
    if (tooLarge.length > 0)
      this.takeOut(tooLarge, this.options.tooLarge ?? 'This is too large to be saved in one piece.');
    if (this.unsent.length === 0) return;
    this.sending = true;
    const sent = this.unsent.slice(0, batchLength(this.unsent, this.most));
    if (this.store.getState().status === 'saved') this.store.setState({ status: 'saving' });
    let goOn = false;
    try {
      const { revision } = await send(
        this.base,
        sent.map(({ step }) => step),
      );
      this.base = revision;
      this.confirmed = sent.at(-1)!.after;
      this.unsent = this.unsent.slice(sent.length);
      this.wait = 1000;
      this.most = Infinity;
      this.remember();
      this.store.setState({ status: this.unsent.length === 0 ? 'saved' : 'saving' });
      goOn = true;
    } catch (error) {
      goOn = this.handle(error, sent);
    } finally {
      this.sending = false;
    }
    if (goOn) void this.flush();
    void this.loadMore();
  }

  /** @returns whether sending goes on at once */
  private handle(error: unknown, sent: readonly Waiting<Document, Command>[]): boolean {
    const problem = error instanceof ApiProblem ? error.problem : undefined;
    if (problem?.type === 'stale') {
      this.join(problem.current as ServerState<Document, Command>);
      return false;
    }
    if (problem?.type === 'not-signed-in') {
      this.store.setState({ status: 'signed-out' });
      return false;
    }
    if (problem?.told.code === 'classClosed') {
      // It may be opened again: nothing is given up.
      this.store.setState({ status: 'closed' });
      this.later(60_000);
      return false;
    }
    if (problem && forAll.has(problem.type)) {
      this.takeOut(
        this.unsent.map(({ step }) => step.id),
        reasonOf(problem),
      );
      return false;
    }
    if (problem && forGood.has(problem.type)) {
      const id = problem.step ?? (sent.length === 1 ? sent[0]!.step.id : undefined);
      // Where it is not said which one, each is sent alone until it is found.
      if (id === undefined) this.most = 1;
      else this.takeOut([id], reasonOf(problem));
      return true;
    }
    if (!(error instanceof NotConnected || problem)) console.error(error);
    this.store.setState({ status: 'offline' });
    this.later(Math.max(this.wait, (problem?.retryAfter ?? 0) * 1000));
    this.wait = Math.min(this.wait * 2, 15_000);
    return false;
  }

  /** Sends what waits after a while, in ms. */
  private later(wait: number): void {
    if (!this.disposed) this.timer = setTimeout(() => void this.flush(), wait);
  }

  /**
   * Takes steps out of the row and keeps them aside. What followed is done again without them; an undo or redo of
   * one of them goes with it, and what does not fit without them is set aside too.
   */
  private takeOut(ids: readonly string[], reason: Reason | string): void {
    const out = new Set(ids);
    const aside: AsideStep<Command>[] = [];
    const before = this.unsent;
    this.unsent = [];
    for (const { step, effect, of } of before) {
      if (of !== undefined && out.has(of)) continue;
      if (out.has(step.id)) {
        aside.push({ id: step.id, effect, reason });
        continue;
      }
      try {
        this.unsent.push(this.waiting(this.last, step));
      } catch (error) {
        if (!(error instanceof CommandError)) throw error;
        out.add(step.id);
        aside.push({ id: step.id, effect, reason: error.told });
      }
    }
    this.keepAside(aside);
    this.show({ status: this.unsent.length === 0 ? 'saved' : this.store.getState().status });
    this.remember();
  }

  private keepAside(aside: readonly AsideStep<Command>[]): void {
    if (aside.length === 0) return;
    this.options.local?.setAside(aside);
    this.store.setState({ aside: [...this.store.getState().aside, ...aside] });
  }

  /** Others changed the document meanwhile: what does not meet is joined, and else it is as the owner wishes. */
  private join(newer: ServerState<Document, Command>): void {
    const { touches, onStale } = this.options;
    const known = new Set(newer.recent);
    const judge = judgeAgainst(newer.since?.flatMap((command) => [...touches(command)]));
    const verdictOf = ({ effect }: UnsentStep<Command>): Verdict => judge(touches(effect));
    const meets = this.unsent.some((step) => !known.has(step.step.id) && verdictOf(step) !== 'apart');
    if (onStale === 'ask' && meets) this.store.setState({ status: 'conflict', newer });
    else this.rebase(newer, verdictOf);
  }

  /** Makes the unsent changes again on a newer state, as steps of their own. */
  private rebase(newer: ServerState<Document, Command>, judge: (step: UnsentStep<Command>) => Verdict): void {
    const known = new Set(newer.recent);
    const mine = this.unsent.filter(({ step }) => !known.has(step.id));
    this.begin(newer);
    this.unsent = [];
    const aside: AsideStep<Command>[] = [];
    let over = 0;
    for (const one of mine) {
      const verdict = judge(one);
      try {
        if (verdict === 'lost') throw new CommandError(told('curveChangedElsewhere'));
        const { at } = one.step;
        this.unsent.push(
          this.waiting(this.last, { id: newId(), kind: 'do', command: one.effect, ...(at ? { at } : {}) }),
        );
        if (verdict === 'over') over++;
      } catch (error) {
        if (!(error instanceof CommandError)) throw error;
        aside.push({ id: one.step.id, effect: one.effect, reason: error.told });
      }
    }
    this.keepAside(aside);
    this.show({
      status: 'saved',
      newer: null,
      merged: mine.length === 0 ? null : { kept: this.unsent.length, over, dropped: aside.length },
    });
    this.remember();
    void Promise.resolve().then(() => this.flush());
  }

  /**
   * Takes over steps that an earlier page left. Where they start from another revision than the server's present
   * one they are sent all the same: the answer tells what was done since, and they are joined with it.
   */
  private adopt(steps: readonly UnsentStep<Command>[], base: number): void {
    if (steps.length === 0) return;
    const fits = base >= this.options.initial.revision && this.base === this.options.initial.revision;
    for (const one of steps) {
      try {
        const fitting = fits ? this.waiting(this.last, one.step) : undefined;
        this.unsent.push(fitting ?? { ...one, after: this.last, bytes: bytesOf(one.step), commands: 1 });
      } catch (error) {
        if (!(error instanceof CommandError)) throw error;
        this.keepAside([{ id: one.step.id, effect: one.effect, reason: error.told }]);
      }
    }
    if (!fits) this.base = Math.min(this.base, base);
    this.show({});
  }

  /** Asks for more of what can be undone when little of it is left. */
  private async loadMore(): Promise<void> {
    const { load } = this.options;
    const isLow = this.more && this.confirmed.undoable.length < fewUndoable;
    if (!load || !isLow || this.loading || this.disposed || !this.isSaved) return;
    this.loading = true;
    try {
      const state = await load();
      if (this.isSaved && state.revision === this.base) {
        this.confirmed = { ...this.confirmed, undoable: state.undoable, redoable: state.redoable };
        this.more = state.more;
        this.store.setState({ history: this.last });
      }
    } catch {
      // It is asked again after the next step.
    } finally {
      this.loading = false;
    }
  }
}

function historyOf<Document, Command>({
  document,
  undoable,
  redoable,
}: ServerState<Document, Command>): History<Document, Command> {
  return { document, undoable, redoable };
}
