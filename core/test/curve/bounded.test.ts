import { Worker } from 'node:worker_threads';
import { describe, expect, it } from 'vitest';
import * as core from '../everything.js';
import { CurveError, withinEffort } from '../everything.js';
import { hostileCurves } from './hostileCurves.js';
import { operations } from './operations.js';

/** Some thousands of steps take a millisecond, so that this is about two seconds. */
const most = 10_000_000;

describe('the work of every operation on 100 points of degree 9', () => {
  it.each(hostileCurves)('%s is bounded', { timeout: 120_000 }, (_, curve) => {
    core.validateCurve(curve);
    for (const [name, operation] of operations) {
      try {
        withinEffort(most, () => operation(curve, 0.3));
      } catch (error) {
        expect(error, name).toBeInstanceOf(CurveError);
        expect((error as CurveError).kind, name).not.toBe('effort');
      }
    }
  });

  it(
    'needs no more than 256 MB, as a thread shows that ends where it would',
    { timeout: 300_000 },
    async () => {
      const worker = new Worker(new URL('./limitedMemory.mjs', import.meta.url), {
        resourceLimits: { maxOldGenerationSizeMb: 208, maxYoungGenerationSizeMb: 48 },
      });
      let done = 0;
      let buffers = 0;
      worker.on('message', (bytes: number) => {
        done++;
        buffers = Math.max(buffers, bytes);
      });
      await new Promise<void>((resolve, reject) => worker.on('error', reject).on('exit', () => resolve()));
      expect(done).toBe(hostileCurves.length * operations.length);
      // What arrays of numbers hold lies outside of a thread's own memory.
      expect(buffers).toBeLessThan(48e6);
    },
  );

  it('ends with a typed error where a caller gives less, whatever is asked', () => {
    const [, curve] = hostileCurves[0]!;
    let ended = 0;
    for (const [, operation] of operations) {
      try {
        withinEffort(100, () => operation(curve, 0.3));
      } catch (error) {
        expect(error).toBeInstanceOf(CurveError);
        if ((error as CurveError).kind === 'effort') ended++;
      }
    }
    expect(ended).toBeGreaterThan(15);
  });
});
