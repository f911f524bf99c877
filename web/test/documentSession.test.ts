import { advance, CommandError, historyFromLog, type Applied, type LoggedStep, type Step } from '@bogen/core';
import type { Problem } from '@bogen/contract';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { ApiProblem, NotConnected } from '../src/api/call.js';
import { DocumentSession, type ServerState, type SessionOptions } from '../src/saving/documentSession.js';
import { LocalSteps } from '../src/saving/localSteps.js';

/** A document that is easy to follow: named numbers. */
type Sums = Readonly<Record<string, number>>;
interface Set {
  readonly key: string;
  readonly to: number;
}

function apply(document: Sums, { key, to }: Set): Applied<Sums, Set> {
  if (Number.isNaN(to)) throw new CommandError('Not a number.');
  return { document: { ...document, [key]: to }, inverse: { key, to: document[key] ?? 0 } };
}

/** A server in a variable, which can be made to fail. */
class FakeServer {
  document: Sums = { a: 0, b: 0 };
  log: LoggedStep<Set>[] = [];
  failing: 'no' | 'before' | 'after' = 'no';
  sent = 0;

  state(): ServerState<Sums, Set> {
    return { document: this.document, revision: this.log.length, log: this.log };
  }

  send = async (base: number, steps: readonly Step<Set>[]): Promise<{ revision: number }> => {
    this.sent++;
    await Promise.resolve();
    if (this.failing === 'before') throw new NotConnected('gone');
    const fresh = steps.filter((step) => !this.log.some(({ id }) => id === step.id));
    if (base + steps.length - fresh.length !== this.log.length) {
      const problem: Problem = {
        type: 'stale',
        title: '',
        status: 409,
        detail: 'Stale.',
        current: this.state(),
      };
      throw new ApiProblem(problem);
    }
    for (const step of fresh) {
      const history = advance(historyFromLog(this.document, this.log), step, apply);
      this.document = history.document;
      this.log = [
        ...this.log,
        step.kind === 'do' ? { ...step, inverse: history.undoable.at(-1)!.inverse } : step,
      ];
    }
    if (this.failing === 'after') throw new NotConnected('the answer was lost');
    return { revision: this.log.length };
  };

  /** Another window changes something. */
  elsewhere(key: string, to: number): void {
    const applied = apply(this.document, { key, to });
    this.document = applied.document;
    this.log = [
      ...this.log,
      { id: crypto.randomUUID(), kind: 'do', command: { key, to }, inverse: applied.inverse },
    ];
  }
}

class MemoryStorage implements Storage {
  private readonly entries = new Map<string, string>();
  get length(): number {
    return this.entries.size;
  }
  key = (index: number): string | null => [...this.entries.keys()][index] ?? null;
  getItem = (key: string): string | null => this.entries.get(key) ?? null;
  setItem = (key: string, value: string): void => void this.entries.set(key, value);
  removeItem = (key: string): void => void this.entries.delete(key);
  clear = (): void => this.entries.clear();
}

let server: FakeServer;
let storage: MemoryStorage;

function open(options: Partial<SessionOptions<Sums, Set>> = {}): DocumentSession<Sums, Set> {
  return new DocumentSession<Sums, Set>({
    initial: server.state(),
    apply,
    send: server.send,
    local: new LocalSteps<Set>('doc', storage),
    onStale: 'ask',
    ...options,
  });
}
const shown = (session: DocumentSession<Sums, Set>): Sums => session.store.getState().shown;
const status = (session: DocumentSession<Sums, Set>): string => session.store.getState().status;

beforeEach(() => {
  vi.useFakeTimers();
  server = new FakeServer();
  storage = new MemoryStorage();
});
afterEach(() => vi.useRealTimers());

describe('saving', () => {
  it('sends every step once and in order, several in one request while one is under way', async () => {
    const session = open();
    for (let to = 1; to <= 5; to++) session.do({ key: 'a', to });
    await vi.runAllTimersAsync();
    expect(server.log.map((step) => step.kind === 'do' && step.command.to)).toEqual([1, 2, 3, 4, 5]);
    expect(server.sent).toBe(2);
    expect(status(session)).toBe('saved');
    expect(storage.length).toBe(0);
  });

  it('shows a preview without doing it, and undoes exactly', async () => {
    const session = open();
    session.do({ key: 'a', to: 1 });
    session.preview({ key: 'a', to: 9 });
    expect(shown(session)['a']).toBe(9);
    session.preview(null);
    expect(shown(session)['a']).toBe(1);
    session.undo();
    expect(shown(session)).toEqual({ a: 0, b: 0 });
    session.redo();
    expect(shown(session)['a']).toBe(1);
    await vi.runAllTimersAsync();
    expect(server.log.map(({ kind }) => kind)).toEqual(['do', 'undo', 'redo']);
    expect(server.document['a']).toBe(1);
  });

  it('waits while the server is away, says so, and sends when it is back', async () => {
    const session = open();
    server.failing = 'before';
    session.do({ key: 'a', to: 7 });
    await vi.advanceTimersByTimeAsync(100);
    expect(status(session)).toBe('offline');
    session.do({ key: 'b', to: 8 });
    expect(storage.length).toBe(1);
    server.failing = 'no';
    await vi.advanceTimersByTimeAsync(20_000);
    expect(server.document).toEqual({ a: 7, b: 8 });
    expect(status(session)).toBe('saved');
  });

  it('does nothing twice when only the answer was lost', async () => {
    const session = open();
    server.failing = 'after';
    session.do({ key: 'a', to: 7 });
    await vi.advanceTimersByTimeAsync(100);
    server.failing = 'no';
    await vi.advanceTimersByTimeAsync(20_000);
    expect(server.log).toHaveLength(1);
    expect(status(session)).toBe('saved');
  });
});

describe('a page that was closed at once', () => {
  it('leaves its steps on the device, and the next page brings them to the server', async () => {
    server.failing = 'before';
    const first = open();
    first.do({ key: 'a', to: 3 });
    first.dispose();
    server.failing = 'no';
    const second = open();
    expect(shown(second)['a']).toBe(3);
    await vi.runAllTimersAsync();
    expect(server.document['a']).toBe(3);
    expect(storage.length).toBe(0);
  });

  it('whose steps came through all the same has them once', async () => {
    const first = open();
    server.failing = 'after';
    first.do({ key: 'a', to: 3 });
    await vi.advanceTimersByTimeAsync(10);
    first.dispose();
    server.failing = 'no';
    const second = open();
    await vi.runAllTimersAsync();
    expect(server.log).toHaveLength(1);
    expect(second.store.getState().history.undoable).toHaveLength(1);
  });

  it('is forgiven for rubbish on the device', () => {
    storage.setItem('bogen:unsent:doc:x', '{not json');
    storage.setItem('bogen:unsent:doc:y', '{"base":"?"}');
    expect(status(open())).toBe('saved');
  });
});

describe('a document that was changed elsewhere', () => {
  it('asks, and puts the own changes on top when told', async () => {
    const session = open();
    server.elsewhere('b', 5);
    session.do({ key: 'a', to: 1 });
    await vi.runAllTimersAsync();
    expect(status(session)).toBe('conflict');
    expect(shown(session)).toEqual({ a: 1, b: 0 });
    session.putOnTop();
    await vi.runAllTimersAsync();
    expect(server.document).toEqual({ a: 1, b: 5 });
    expect(status(session)).toBe('saved');
  });

  it('goes on being kept on the device while the question stands', async () => {
    const session = open();
    server.elsewhere('b', 5);
    session.do({ key: 'a', to: 1 });
    await vi.runAllTimersAsync();
    session.do({ key: 'a', to: 2 });
    const next = open();
    expect(status(next)).toBe('conflict');
    next.putOnTop();
    await vi.runAllTimersAsync();
    expect(server.document).toEqual({ a: 2, b: 5 });
  });

  it('takes the newer state when told, with its own undo', async () => {
    const session = open();
    server.elsewhere('b', 5);
    session.do({ key: 'a', to: 1 });
    await vi.runAllTimersAsync();
    session.takeNewer(session.store.getState().newer!);
    expect(shown(session)).toEqual({ a: 0, b: 5 });
    session.undo();
    expect(shown(session)).toEqual({ a: 0, b: 0 });
  });

  it('brings both together without asking where moves can’t conflict', async () => {
    const session = open({ onStale: 'merge' });
    server.elsewhere('b', 5);
    session.do({ key: 'a', to: 1 });
    session.undo();
    session.do({ key: 'a', to: 4 });
    await vi.runAllTimersAsync();
    expect(server.document).toEqual({ a: 4, b: 5 });
    expect(session.store.getState().merged).toEqual({ dropped: 0 });
  });
});

describe('a refusal', () => {
  it('stops the saving, says why, and keeps the rest until it is dropped', async () => {
    const refuse = new ApiProblem({
      type: 'refused',
      title: '',
      status: 422,
      detail: 'This point is fixed.',
    });
    const session = open({ send: () => Promise.reject(refuse) });
    session.do({ key: 'a', to: 1 });
    await vi.runAllTimersAsync();
    expect(session.store.getState()).toMatchObject({
      status: 'refused',
      refusal: 'This point is fixed.',
      unsent: 1,
    });
    session.discardUnsent();
    expect(storage.length).toBe(0);
  });

  it('of a command that does not fit changes nothing', () => {
    const session = open();
    expect(() => session.do({ key: 'a', to: NaN })).toThrow(CommandError);
    expect(session.store.getState().unsent).toBe(0);
  });
});
