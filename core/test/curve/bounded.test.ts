import { validateCurve } from '../../src/curve/validate.js';
import { Worker } from 'node:worker_threads';
import { describe, expect, it } from 'vitest';
import { withinEffort } from '../../src/curve/effort.js';
import { CurveError } from '../../src/curve/error.js';
import { isFull } from '../../../scripts/test/size.mjs';
import { hostileCurves } from './hostileCurves.js';
import type { HostileEnd, HostileRun } from './limitedMemory.js';
import { operations } from './operations.js';

/** Some thousands of steps take a millisecond, so that this is about two seconds. */
const most = 10_000_000;

/** The short run takes the two that most differ. */
const curves = hostileCurves.filter((_, index) => isFull || index < 2);

describe('the work of every operation on 100 points of degree 9', () => {
  it.each(curves)(
    '%s is bounded, and needs no more than 256 MB, as a thread shows that ends where it would',
    { timeout: 300_000 },
    async (name, curve) => {
      validateCurve(curve);
      const workerData: HostileRun = { most, curves: [name] };
      const worker = new Worker(new URL('./limitedMemory.mjs', import.meta.url), {
        workerData,
        resourceLimits: { maxOldGenerationSizeMb: 208, maxYoungGenerationSizeMb: 48 },
      });
      const ends: HostileEnd[] = [];
      worker.on('message', (end: HostileEnd) => ends.push(end));
      await new Promise<void>((resolve, reject) => worker.on('error', reject).on('exit', () => resolve()));
      expect(ends.filter(({ problem }) => problem)).toEqual([]);
      expect(ends.map(({ operation }) => operation)).toEqual(operations.map(([operation]) => operation));
      // What arrays of numbers hold lies outside of a thread's own memory.
      expect(Math.max(...ends.map(({ buffers }) => buffers))).toBeLessThan(48e6);
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
