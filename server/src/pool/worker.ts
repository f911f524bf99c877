import { parentPort } from 'node:worker_threads';
import { CurveError } from '@bogen/core/curve';
import { CommandError } from '@bogen/core/lesson';
import type { Problem } from '@bogen/contract';
import { HttpProblem } from '../http/problem.js';
import { jobs, type JobName } from './jobs.js';

/** What a worker is asked, and what it answers. */
export interface Request {
  readonly name: JobName;
  readonly args: readonly unknown[];
}
export type Answer = { readonly value: unknown } | { readonly problem: Problem } | { readonly error: string };

async function answer({ name, args }: Request): Promise<Answer> {
  try {
    const job = jobs[name] as (...given: readonly unknown[]) => unknown;
    return { value: await job(...args) };
  } catch (error) {
    if (error instanceof HttpProblem) return { problem: error.problem };
    if (error instanceof CommandError || error instanceof CurveError)
      return { problem: new HttpProblem('refused', error.message).problem };
    return { error: error instanceof Error ? (error.stack ?? error.message) : String(error) };
  }
}

parentPort!.on('message', (request: Request) => {
  void answer(request).then((result) => parentPort!.postMessage(result));
});
parentPort!.postMessage('ready');
