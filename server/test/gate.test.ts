import { expect, it } from 'vitest';
import { Gate } from '../src/pool/gate.js';

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
