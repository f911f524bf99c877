import '@bogen/core/mathematics';
import { parentPort, workerData } from 'node:worker_threads';
import { ToldError } from '@bogen/core/lesson';
import type { Problem } from '@bogen/contract';
import { HttpProblem } from '../http/problem.js';
import { jobs, type JobName } from './jobs.js';

/** What a worker answers to the arguments of its job. */
export type Answer = { readonly value: unknown } | { readonly problem: Problem } | { readonly error: string };

const job = (await jobs[workerData as JobName]()) as (...given: readonly unknown[]) => unknown;

async function answer(args: readonly unknown[]): Promise<Answer> {
  try {
    return { value: await job(...args) };
  } catch (error) {
    if (error instanceof HttpProblem) return { problem: error.problem };
    if (error instanceof ToldError) return { problem: new HttpProblem('refused', error.told).problem };
    return { error: error instanceof Error ? (error.stack ?? error.message) : String(error) };
  }
}

parentPort!.on('message', (args: readonly unknown[]) => {
  void answer(args).then((result) => parentPort!.postMessage(result));
});
parentPort!.postMessage('ready');
