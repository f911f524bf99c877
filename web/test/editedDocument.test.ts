import {
  advance,
  CommandError,
  startHistory,
  told,
  type Applied,
  type History,
  type Step,
} from '@bogen/core/lesson';
import type { Problem } from '@bogen/contract';
import { batchLimits } from '@bogen/contract/limits';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { ApiProblem, NotConnected } from '../src/api/call.js';
import { EditedDocument } from '../src/saving/editedDocument.js';
import type { ServerState, EditedOptions } from '../src/saving/state.js';
import { MemoryDevice } from './support/memorySteps.js';

/** A document that is easy to follow: named numbers, with a text where size matters. */
type Sums = Readonly<Record<string, number>>;
interface Set {
  readonly key: string;
  readonly to: number;
  readonly note?: string;
}

function apply(document: Sums, { key, to }: Set): Applied<Sums, Set> {
  if (Number.isNaN(to)) throw new CommandError(told('notACurve', { name: 'NaN' }));
  return { document: { ...document, [key]: to }, inverse: { key, to: document[key] ?? 0 } };
}

function problem(type: Problem['type'], status: number, more: Partial<Problem> = {}): ApiProblem {
  const reason = told('about', { name: type, reason: told('sheetGone') });
  return new ApiProblem({ type, title: '', status, detail: 'In English.', told: reason, ...more });
}

/** A server in a variable, which can be made to fail. */
class FakeServer {
  history: History<Sums, Set> = startHistory({ a: 0, b: 0 });
  log: { step: Step<Set>; effect: Set }[] = [];
  failing: 'no' | 'before' | 'after' = 'no';
  /** Steps that it never takes, by the value that they set. */
  readonly refuses = new globalThis.Set<number>();
  tellsWhich = true;
  sizes: number[] = [];
  largest = 0;

  get document(): Sums {
    return this.history.document;
  }

  state(): ServerState<Sums, Set> {
    return {
      ...this.history,
      revision: this.log.length,
      more: false,
      recent: this.log.slice(-batchLimits.steps).map(({ step }) => step.id),
    };
  }

  send = async (base: number, steps: readonly Step<Set>[]): Promise<{ revision: number }> => {
    this.sizes.push(steps.length);
    this.largest = Math.max(this.largest, JSON.stringify({ base, steps }).length);
    await Promise.resolve();
    if (this.failing === 'before') throw new NotConnected('gone');
    if (JSON.stringify({ base, steps }).length > 1_000_000) throw problem('too-large', 413);
    const fresh = steps.filter((step) => !this.log.some((row) => row.step.id === step.id));
    if (base + steps.length - fresh.length !== this.log.length) {
      const since = this.log.slice(base).map(({ effect }) => effect);
      throw problem('stale', 409, { current: { ...this.state(), since } });
    }
    const wrong = fresh.find((step) => step.kind === 'do' && this.refuses.has(step.command.to));
    if (wrong) throw problem('refused', 422, this.tellsWhich ? { step: wrong.id } : {});
    for (const step of fresh) {
      const { history, effect } = advance(this.history, step, apply);
      this.history = history;
      this.log.push({ step, effect });
    }
    if (this.failing === 'after') throw new NotConnected('the answer was lost');
    return { revision: this.log.length };
  };

  /** Another window changes something. */
  elsewhere(key: string, to: number): void {
    const step: Step<Set> = { id: crypto.randomUUID(), kind: 'do', command: { key, to } };
    const { history, effect } = advance(this.history, step, apply);
    this.history = history;
    this.log.push({ step, effect });
  }
}

let server: FakeServer;
let device: MemoryDevice<Set>;

function open(options: Partial<EditedOptions<Sums, Set>> = {}): EditedDocument<Sums, Set> {
  return new EditedDocument<Sums, Set>({
    initial: server.state(),
    apply,
    send: server.send,
    local: device.open(),
    onStale: 'ask',
    touches: ({ key }) => [key],
    ...options,
  });
}
const shown = (edited: EditedDocument<Sums, Set>): Sums => edited.store.getState().shown;
const status = (edited: EditedDocument<Sums, Set>): string => edited.store.getState().status;
const asideOf = (edited: EditedDocument<Sums, Set>): number[] =>
  edited.store.getState().aside.map(({ effect }) => effect.to);

beforeEach(() => {
  vi.useFakeTimers();
  server = new FakeServer();
  device = new MemoryDevice();
});
afterEach(() => vi.useRealTimers());

describe('saving', () => {
  it('sends every step once and in order, several in one request while one is under way', async () => {
    const edited = open();
    for (let to = 1; to <= 5; to++) edited.do({ key: 'a', to });
    await vi.runAllTimersAsync();
    expect(server.log.map(({ effect }) => effect.to)).toEqual([1, 2, 3, 4, 5]);
    expect(server.sizes).toEqual([1, 4]);
    expect(status(edited)).toBe('saved');
    expect(device.left).toHaveLength(0);
  });

  it('shows a preview without doing it, and undoes exactly', async () => {
    const edited = open();
    edited.do({ key: 'a', to: 1 });
    edited.preview({ key: 'a', to: 9 });
    expect(shown(edited)['a']).toBe(9);
    edited.preview(null);
    expect(shown(edited)['a']).toBe(1);
    expect(edited.undo()).toEqual({ key: 'a', to: 0 });
    expect(shown(edited)).toEqual({ a: 0, b: 0 });
    expect(edited.redo()).toEqual({ key: 'a', to: 1 });
    expect(shown(edited)['a']).toBe(1);
    await vi.runAllTimersAsync();
    expect(server.log.map(({ step }) => step.kind)).toEqual(['do', 'undo', 'redo']);
    expect(server.document['a']).toBe(1);
    expect(edited.undo()).toEqual({ key: 'a', to: 0 });
    expect(edited.undo()).toBeUndefined();
  });

  it('waits while the server is away, says so, and sends when it is back', async () => {
    const edited = open();
    server.failing = 'before';
    edited.do({ key: 'a', to: 7 });
    await vi.advanceTimersByTimeAsync(100);
    expect(status(edited)).toBe('offline');
    edited.do({ key: 'b', to: 8 });
    expect(device.left[0]!.unsent).toHaveLength(2);
    server.failing = 'no';
    await vi.advanceTimersByTimeAsync(20_000);
    expect(server.document).toEqual({ a: 7, b: 8 });
    expect(status(edited)).toBe('saved');
  });

  it('does nothing twice when only the answer was lost', async () => {
    const edited = open();
    server.failing = 'after';
    edited.do({ key: 'a', to: 7 });
    await vi.advanceTimersByTimeAsync(100);
    server.failing = 'no';
    await vi.advanceTimersByTimeAsync(20_000);
    expect(server.log).toHaveLength(1);
    expect(status(edited)).toBe('saved');
  });

  it('cuts what was done without a connection into requests that the server takes, by count and by bytes', async () => {
    const edited = open();
    server.failing = 'before';
    const note = 'x'.repeat(12_000);
    for (let to = 1; to <= 260; to++) edited.do({ key: 'a', to, ...(to <= 200 ? { note } : {}) });
    await vi.advanceTimersByTimeAsync(100);
    server.failing = 'no';
    await vi.advanceTimersByTimeAsync(20_000);
    expect(status(edited)).toBe('saved');
    expect(server.log).toHaveLength(260);
    expect(server.largest).toBeLessThan(batchLimits.bytes + 1000);
    expect(Math.max(...server.sizes)).toBeLessThanOrEqual(batchLimits.steps);
  });

  it('asks for more of what can be undone when little of it is left', async () => {
    for (let to = 1; to <= 50; to++) server.elsewhere('a', to);
    const state = server.state();
    const load = vi.fn(() => Promise.resolve(server.state()));
    const edited = open({ initial: { ...state, undoable: state.undoable.slice(-5), more: true }, load });
    edited.undo();
    await vi.runAllTimersAsync();
    expect(load).toHaveBeenCalled();
    expect(edited.store.getState().history.undoable).toHaveLength(49);
    expect(shown(edited)['a']).toBe(49);
  });
});

describe('a step that can’t be saved', () => {
  it.each([true, false])(
    'is set aside with the reason, and what follows is saved (the server says which: %s)',
    async (tellsWhich) => {
      server.tellsWhich = tellsWhich;
      server.refuses.add(13);
      server.failing = 'before';
      const edited = open();
      edited.do({ key: 'a', to: 1 });
      edited.do({ key: 'a', to: 13 });
      edited.do({ key: 'b', to: 2 });
      await vi.advanceTimersByTimeAsync(100);
      server.failing = 'no';
      await vi.advanceTimersByTimeAsync(20_000);
      expect(server.document).toEqual({ a: 1, b: 2 });
      expect(shown(edited)).toEqual({ a: 1, b: 2 });
      expect(status(edited)).toBe('saved');
      expect(edited.store.getState().aside).toMatchObject([
        { effect: { key: 'a', to: 13 }, reason: { code: 'about', parameters: { name: 'refused' } } },
      ]);
      // It rests on the device until it is forgotten.
      expect(asideOf(open())).toEqual([13]);
      edited.forgetAside();
      expect(asideOf(open())).toEqual([]);
    },
  );

  it('takes its own undo and redo along, and no other', async () => {
    server.refuses.add(13);
    server.failing = 'before';
    const edited = open();
    edited.do({ key: 'a', to: 1 });
    edited.do({ key: 'a', to: 13 });
    edited.undo();
    edited.undo();
    edited.redo();
    await vi.advanceTimersByTimeAsync(100);
    server.failing = 'no';
    await vi.advanceTimersByTimeAsync(20_000);
    expect(server.log.map(({ step }) => step.kind)).toEqual(['do', 'undo', 'redo']);
    expect(server.document['a']).toBe(1);
    expect(shown(edited)['a']).toBe(1);
  });

  it('since it is too large alone is told before it is sent', async () => {
    const edited = open({ tooLarge: 'Smaller, please.' });
    edited.do({ key: 'a', to: 1 });
    edited.do({ key: 'b', to: 2, note: 'x'.repeat(batchLimits.bytes) });
    edited.do({ key: 'b', to: 3 });
    await vi.runAllTimersAsync();
    expect(server.document).toEqual({ a: 1, b: 3 });
    expect(edited.store.getState().aside).toMatchObject([{ effect: { to: 2 }, reason: 'Smaller, please.' }]);
    expect(server.largest).toBeLessThan(batchLimits.bytes);
  });

  it('has its text cleaned of what can’t be stored', async () => {
    const edited = open();
    edited.do({ key: 'a', to: 1, note: 'f\u0000i\ud800ne' });
    await vi.runAllTimersAsync();
    expect(server.log[0]!.effect.note).toBe('fine');
  });

  it('of a command that does not fit changes nothing', () => {
    const edited = open();
    expect(() => edited.do({ key: 'a', to: NaN })).toThrow(CommandError);
    expect(edited.store.getState().unsent).toBe(0);
  });

  it('since the document is gone is kept aside with all the others', async () => {
    const edited = open({ send: () => Promise.reject(problem('not-found', 404)) });
    edited.do({ key: 'a', to: 1 });
    edited.do({ key: 'b', to: 2 });
    await vi.runAllTimersAsync();
    expect(asideOf(edited)).toEqual([1, 2]);
    expect(status(edited)).toBe('saved');
  });

  it('for the moment waits as long as the server asks for', async () => {
    let tries = 0;
    const edited = open({
      send: (base, steps) =>
        ++tries === 1 ? Promise.reject(problem('busy', 503, { retryAfter: 9 })) : server.send(base, steps),
    });
    edited.do({ key: 'a', to: 1 });
    await vi.advanceTimersByTimeAsync(8000);
    expect(tries).toBe(1);
    await vi.advanceTimersByTimeAsync(2000);
    expect(server.document['a']).toBe(1);
  });

  it('while the class is closed is kept, and sent when it is open again', async () => {
    let isClosed = true;
    const told = { code: 'classClosed', parameters: {} };
    const edited = open({
      send: (base, steps) =>
        isClosed ? Promise.reject(problem('not-allowed', 403, { told })) : server.send(base, steps),
    });
    edited.do({ key: 'a', to: 1 });
    await vi.advanceTimersByTimeAsync(70_000);
    expect(status(edited)).toBe('closed');
    expect(asideOf(edited)).toEqual([]);
    isClosed = false;
    await vi.advanceTimersByTimeAsync(60_000);
    expect(server.document['a']).toBe(1);
    expect(status(edited)).toBe('saved');
  });
});

describe('a full device', () => {
  it('is told', () => {
    device.full = true;
    expect(open().store.getState().deviceFull).toBe(true);
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
    expect(device.left).toHaveLength(0);
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

  it('has its steps joined with what came in meanwhile', async () => {
    server.failing = 'before';
    const first = open();
    first.do({ key: 'a', to: 3 });
    first.dispose();
    server.failing = 'no';
    server.elsewhere('b', 5);
    const second = open();
    await vi.runAllTimersAsync();
    expect(status(second)).toBe('saved');
    expect(server.document).toEqual({ a: 3, b: 5 });
    expect(shown(second)).toEqual({ a: 3, b: 5 });
  });
});

describe('a document that was changed elsewhere', () => {
  it('is joined without a question where the changes do not meet', async () => {
    const edited = open();
    server.elsewhere('b', 5);
    edited.do({ key: 'a', to: 1 });
    edited.undo();
    edited.do({ key: 'a', to: 4 });
    await vi.runAllTimersAsync();
    expect(server.document).toEqual({ a: 4, b: 5 });
    expect(status(edited)).toBe('saved');
    expect(edited.store.getState().merged).toEqual({ kept: 3, over: 0, dropped: 0 });
  });

  it('asks where both changed the same, and puts the own changes on top when told', async () => {
    const edited = open();
    server.elsewhere('a', 5);
    server.elsewhere('b', 6);
    edited.do({ key: 'a', to: 1 });
    await vi.runAllTimersAsync();
    expect(status(edited)).toBe('conflict');
    expect(shown(edited)).toEqual({ a: 1, b: 0 });
    edited.putOnTop();
    await vi.runAllTimersAsync();
    expect(server.document).toEqual({ a: 1, b: 6 });
    expect(status(edited)).toBe('saved');
  });

  it('goes on being kept on the device while the question stands', async () => {
    const edited = open();
    server.elsewhere('a', 5);
    edited.do({ key: 'a', to: 1 });
    await vi.runAllTimersAsync();
    edited.do({ key: 'a', to: 2 });
    const next = open();
    await vi.runAllTimersAsync();
    expect(status(next)).toBe('conflict');
    next.putOnTop();
    await vi.runAllTimersAsync();
    expect(server.document).toEqual({ a: 2, b: 0 });
  });

  it('takes the newer state when told, with its own undo', async () => {
    const edited = open();
    server.elsewhere('a', 5);
    edited.do({ key: 'a', to: 1 });
    await vi.runAllTimersAsync();
    edited.takeNewer(edited.store.getState().newer!);
    expect(shown(edited)).toEqual({ a: 5, b: 0 });
    edited.undo();
    expect(shown(edited)).toEqual({ a: 0, b: 0 });
  });

  it('is merged without asking where that is wished: the later change stands, and it is told', async () => {
    const edited = open({ onStale: 'merge' });
    server.elsewhere('a', 5);
    edited.do({ key: 'a', to: 1 });
    edited.do({ key: 'b', to: 2 });
    await vi.runAllTimersAsync();
    expect(server.document).toEqual({ a: 1, b: 2 });
    expect(edited.store.getState().merged).toEqual({ kept: 2, over: 1, dropped: 0 });
  });

  it('keeps aside what is a part of something that was changed as a whole', async () => {
    const touches = ({ key, note }: Set): string[] => [note === 'part' ? `${key}/3` : key];
    const edited = open({ onStale: 'merge', touches });
    server.elsewhere('a', 5);
    edited.do({ key: 'a', to: 1, note: 'part' });
    edited.do({ key: 'b', to: 2 });
    await vi.runAllTimersAsync();
    expect(server.document).toEqual({ a: 5, b: 2 });
    expect(edited.store.getState().merged).toEqual({ kept: 1, over: 0, dropped: 1 });
    expect(asideOf(edited)).toEqual([1]);
  });
});
