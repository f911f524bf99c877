import 'fake-indexeddb/auto';
import { IDBFactory, IDBObjectStore } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { LocalSteps } from '../src/saving/localSteps.js';
import type { UnsentStep } from '../src/saving/unsent.js';

interface Note {
  readonly text: string;
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

const note = (text: string): UnsentStep<Note> => ({
  step: { id: `id-${text.slice(0, 20)}`, kind: 'do', command: { text } },
  effect: { text },
});
const versions = {
  version: 2,
  read: ({ text }: Note, version: number): Note => ({ text: version < 2 ? `${text}!` : text }),
};

/** A page: its own copy of the module, as another tab has. */
async function page(document = 'doc'): Promise<LocalSteps<Note>> {
  vi.resetModules();
  const { openLocalSteps } = await import('../src/saving/localSteps.js');
  return openLocalSteps<Note>(document, versions);
}
/** Until the database has written. */
const rest = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 50));
const textsOf = (steps: LocalSteps<Note>): string[][] =>
  steps.left.map(({ unsent }) => unsent.map(({ effect }) => effect.text));

let storage: MemoryStorage;

beforeEach(() => {
  vi.stubGlobal('indexedDB', new IDBFactory());
  storage = new MemoryStorage();
  vi.stubGlobal('localStorage', storage);
});
afterEach(() => vi.unstubAllGlobals());

describe('steps on the device', () => {
  it('are found by the next page, in order, and are gone when they were taken over', async () => {
    const first = await page();
    first.write(7, [note('a'), note('b')]);
    first.write(7, [note('a'), note('b'), note('c')]);
    await rest();
    expect(storage.length).toBe(0);
    first.close();
    const second = await page();
    expect(second.left).toEqual([{ base: 7, unsent: [note('a'), note('b'), note('c')] }]);
    second.write(7, second.left[0]!.unsent);
    second.forgetLeft();
    await rest();
    second.close();
    const third = await page();
    expect(textsOf(third)).toEqual([['a', 'b', 'c']]);
    third.write(10, []);
    third.forgetLeft();
    await rest();
    third.close();
    expect((await page()).left).toEqual([]);
    expect((await page('another')).left).toEqual([]);
  });

  it('that the database has not written when the page goes stand as a text', async () => {
    const first = await page();
    first.write(0, [note('a')]);
    await rest();
    // The database is not given the time to write.
    first.write(0, [note('a'), note('last')]);
    expect(storage.length).toBe(1);
    const key = storage.key(0)!;
    const text = storage.getItem(key)!;
    await rest();
    first.close();
    vi.stubGlobal('indexedDB', new IDBFactory());
    storage.setItem(key, text);
    expect(textsOf(await page())).toEqual([['last']]);
  });

  it('are not taken from a page that is still open', async () => {
    const first = await page();
    first.write(0, [note('a')]);
    await rest();
    const second = await page();
    expect(second.left).toEqual([]);
    second.close();
    first.close();
    expect(textsOf(await page())).toEqual([['a']]);
  });

  it('may be thousands and large: they are not written again for each new one', async () => {
    const first = await page();
    const put = vi.spyOn(IDBObjectStore.prototype, 'put');
    const steps: UnsentStep<Note>[] = [];
    for (let k = 0; k < 200; k++) {
      steps.push(note(`${k}:${'x'.repeat(12_000)}`));
      first.write(0, steps);
      if (k % 50 === 0) await rest();
    }
    await rest();
    // One for the step and one for the page each time.
    expect(put.mock.calls.length).toBeLessThanOrEqual(2 * 200);
    put.mockRestore();
    first.close();
    expect((await page()).left[0]!.unsent).toHaveLength(200);
  }, 20_000);

  it('are told when there is no room, and written when there is again', async () => {
    const first = await page();
    const troubles: boolean[] = [];
    first.onTrouble((full) => troubles.push(full));
    const put = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('no room', 'QuotaExceededError');
    });
    first.write(0, [note('a')]);
    await rest();
    expect(troubles).toEqual([false, true]);
    put.mockRestore();
    first.write(0, [note('a'), note('b')]);
    await rest();
    expect(troubles).toEqual([false, true, false]);
    first.close();
    expect(textsOf(await page())).toEqual([['a', 'b']]);
  });

  it('of an earlier version are brought along, and rubbish is passed over', async () => {
    storage.setItem('bogen:unsent:doc:x', '{not json');
    storage.setItem('bogen:unsent:doc:y', '{"base":"?"}');
    storage.setItem('bogen:unsent:doc:z', JSON.stringify({ base: 3, unsent: [note('old')] }));
    const found = await page();
    expect(found.left).toMatchObject([{ base: 3, unsent: [{ effect: { text: 'old!' } }] }]);
    found.forgetLeft();
    expect(storage.getItem('bogen:unsent:doc:z')).toBeNull();
  });

  it('that were set aside stay until they are forgotten', async () => {
    const first = await page();
    first.setAside([{ id: 'x', effect: { text: 'odd' }, reason: 'Because.' }]);
    await rest();
    const second = await page();
    expect(second.aside).toEqual([{ id: 'x', effect: { text: 'odd' }, reason: 'Because.' }]);
    second.forgetAside();
    await rest();
    expect((await page()).aside).toEqual([]);
  });
});
