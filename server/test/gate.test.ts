import { expect, it } from 'vitest';
import { Gate, SharedGate } from '../src/pool/gate.js';

it('lets a few in at once, the others in their turn, and refuses those who would wait too long', async () => {
  const gate = new Gate(2, 3);
  let inside = 0;
  let most = 0;
  const order: number[] = [];
  const ends: (() => void)[] = [];
  const work = (number: number) => async () => {
    most = Math.max(most, ++inside);
    order.push(number);
    await new Promise<void>((end) => ends.push(end));
    inside--;
    if (number === 1) throw new Error('failed');
    return number;
  };
  const all = [0, 1, 2, 3, 4].map((number) => gate.pass(work(number)).catch((error: Error) => error.message));
  await expect(gate.pass(work(5))).rejects.toMatchObject({ problem: { type: 'busy' } });
  while (order.length < 5 || ends.length > 0) {
    ends.shift()?.();
    await new Promise((next) => setImmediate(next));
  }
  // One that fails gives its place on too.
  expect(await Promise.all(all)).toEqual([0, 'failed', 2, 3, 4]);
  expect(order).toEqual([0, 1, 2, 3, 4]);
  expect(most).toBe(2);
  const again = gate.pass(work(6));
  ends.shift()!();
  expect(await again).toBe(6);
});

it('lets as many of each in as are meant for one, and nobody waits behind the others of somebody else', async () => {
  const gate = new SharedGate(1, 2);
  const order: string[] = [];
  const ends = new Map<string, () => void>();
  const pass = (of: string, name: string): Promise<string> =>
    gate.pass(of, async () => {
      order.push(name);
      await new Promise<void>((end) => ends.set(name, end));
      return name;
    });
  const all = [pass('anna', 'a1'), pass('anna', 'a2'), pass('anna', 'a3'), pass('ben', 'b1')];
  await expect(pass('anna', 'a4')).rejects.toMatchObject({ problem: { type: 'busy' } });
  expect(order).toEqual(['a1', 'b1']);
  for (const name of ['a1', 'b1', 'a2', 'a3']) {
    while (!ends.has(name)) await new Promise((next) => setImmediate(next));
    ends.get(name)!();
  }
  expect(await Promise.all(all)).toEqual(['a1', 'a2', 'a3', 'b1']);
  // Who has gone is forgotten, and may come again.
  const again = pass('anna', 'a5');
  while (!ends.has('a5')) await new Promise((next) => setImmediate(next));
  ends.get('a5')!();
  expect(await again).toBe('a5');
});
