import '../../src/figure/allMathematics.js';
import { parentPort, workerData } from 'node:worker_threads';
import { withinEffort } from '../../src/curve/effort.js';
import { CurveError } from '../../src/curve/error.js';
import { hostileCurves } from './hostileCurves.js';
import { operations } from './operations.js';

/** What the thread is given: the most that one operation may cost, and which of the hostile curves to take. */
export interface HostileRun {
  readonly most: number;
  readonly curves: readonly string[];
}

/** How an operation on a hostile curve ended: what it threw, if anything, and what arrays of numbers hold then. */
export interface HostileEnd {
  readonly curve: string;
  readonly operation: string;
  readonly problem?: string;
  readonly buffers: number;
}

/**
 * Run in a thread with little memory: every operation on hostile curves, within an effort. What does not fit into the
 * memory ends the thread; what takes too much effort, or fails with anything but the typed error, is a problem.
 */
const { most, curves } = workerData as HostileRun;
for (const [name, curve] of hostileCurves.filter(([one]) => curves.includes(one))) {
  for (const [operation, run] of operations) {
    let problem: string | undefined;
    try {
      withinEffort(most, () => run(curve, 0.3));
    } catch (error) {
      if (!(error instanceof CurveError)) problem = String(error);
      else if (error.kind === 'effort') problem = 'takes too much effort';
    }
    const end: HostileEnd = {
      curve: name,
      operation,
      ...(problem && { problem }),
      buffers: process.memoryUsage().arrayBuffers,
    };
    parentPort!.postMessage(end);
  }
}
