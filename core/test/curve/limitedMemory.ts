import { parentPort } from 'node:worker_threads';
import { CurveError } from '../everything.js';
import { hostileCurves } from './hostileCurves.js';
import { operations } from './operations.js';

/** Run in a thread with little memory: every operation on every hostile curve, and what arrays of numbers hold then. */
for (const [, curve] of hostileCurves) {
  for (const [, operation] of operations) {
    try {
      operation(curve, 0.3);
    } catch (error) {
      if (!(error instanceof CurveError)) throw error;
    }
    parentPort!.postMessage(process.memoryUsage().arrayBuffers);
  }
}
