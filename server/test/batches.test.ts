import { describe, expect, it } from 'vitest';
import { Batches } from '../src/db/batches.js';

const later = <T>(value: T): Promise<T> => new Promise((resolve) => setTimeout(() => resolve(value), 5));

describe('questions of the same moment', () => {
  it('are put together, a few on their way at once and so many in one', async () => {
    const asked: number[] = [];
    let running = 0;
    let most = 0;
    const batches = new Batches(
      async (given: readonly number[]) => {
        most = Math.max(most, ++running);
        asked.push(given.length);
        await later(null);
        running--;
        return given.map((one) => one * 2);
      },
      2,
      10,
    );
    const answers = await Promise.all(Array.from({ length: 35 }, (_, k) => batches.get(k)));
    expect(answers).toEqual(Array.from({ length: 35 }, (_, k) => k * 2));
    expect(asked).toEqual([10, 10, 10, 5]);
    expect(most).toBe(2);
    expect(await batches.get(7)).toBe(14);
  });

  it('that can’t be answered leave the others theirs', async () => {
    const batches = new Batches((given: readonly number[]) => {
      if (given.includes(3)) return Promise.reject(new Error('three'));
      return later(given);
    }, 1);
    const answers = await Promise.allSettled([1, 2, 3, 4].map((one) => batches.get(one)));
    expect(answers.map(({ status }) => status)).toEqual(['fulfilled', 'fulfilled', 'rejected', 'fulfilled']);
    expect(await batches.get(5)).toBe(5);
  });
});
