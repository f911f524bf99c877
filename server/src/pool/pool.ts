import { Worker } from 'node:worker_threads';
import { HttpProblem } from '../http/problem.js';
import type { JobName, Jobs } from './jobs.js';
import type { Answer, Request } from './worker.js';

export interface PoolOptions {
  /** How many run at once. */
  readonly threads: number;
  /** How many may wait; one more is told that the server is busy. */
  readonly mostWaiting: number;
  /** Milliseconds that one job may take, from when it begins to run. */
  readonly limit: number;
  /** Megabytes of memory that a thread may take. */
  readonly memory: number;
}

const usual: PoolOptions = { threads: 2, mostWaiting: 60, limit: 2000, memory: 384 };

interface Waiting {
  readonly request: Request;
  readonly resolve: (value: unknown) => void;
  readonly reject: (error: Error) => void;
}

/**
 * Worker threads for calculations that a person can make costly: a few at once, each within a time and a
 * memory, so that nobody else waits for them. A job that takes too long is ended with its thread, and another
 * thread takes its place. A standard pool was considered; it counts the time of a job from when it was handed
 * in, so that a short job behind long ones would be told that it is costly.
 */
export class Pool {
  private readonly options: PoolOptions;
  private readonly queue: Waiting[] = [];
  private readonly idle: Worker[] = [];
  private readonly threads = new Set<Worker>();
  private closed = false;

  constructor(options: Partial<PoolOptions> = {}) {
    this.options = { ...usual, ...options };
    for (let k = 0; k < this.options.threads; k++) this.startThread();
  }

  /**
   * Runs a job in a thread.
   * @throws HttpProblem `too-costly` where it takes too long or too much, `busy` where too many wait already
   */
  run<Name extends JobName>(
    name: Name,
    ...args: Parameters<Jobs[Name]>
  ): Promise<Awaited<ReturnType<Jobs[Name]>>> {
    return new Promise((resolve, reject) => {
      if (this.queue.length >= this.options.mostWaiting || this.closed) {
        reject(
          new HttpProblem('busy', 'Too much is being calculated just now. Try again in a moment.', {
            retryAfter: 2,
          }),
        );
        return;
      }
      this.queue.push({ request: { name, args }, resolve: resolve as (value: unknown) => void, reject });
      this.next();
    });
  }

  async close(): Promise<void> {
    this.closed = true;
    await Promise.all([...this.threads].map((thread) => thread.terminate()));
  }

  private startThread(): void {
    if (this.closed) return;
    const thread = new Worker(new URL('./start.mjs', import.meta.url), {
      execArgv: [],
      resourceLimits: { maxOldGenerationSizeMb: this.options.memory },
      stderr: false,
    });
    this.threads.add(thread);
    thread.unref();
    let started = false;
    let reason: unknown = 'it ended';
    thread.once('message', () => {
      started = true;
      this.idle.push(thread);
      this.next();
    });
    // The exit that follows is what counts.
    thread.on('error', (error) => (reason = error));
    thread.once('exit', () => {
      this.threads.delete(thread);
      const at = this.idle.indexOf(thread);
      if (at >= 0) this.idle.splice(at, 1);
      if (started) this.startThread();
      else if (!this.closed) this.giveUp(reason);
    });
  }

  /** A thread that can't even start is a fault of the installation; nobody is left waiting for it. */
  private giveUp(reason: unknown): void {
    const error = new Error('A worker thread could not be started.', { cause: reason });
    for (const { reject } of this.queue.splice(0)) reject(error);
    setTimeout(() => this.startThread(), 5000).unref();
  }

  private next(): void {
    const thread = this.idle.pop();
    if (!thread) return;
    const job = this.queue.shift();
    if (!job) {
      this.idle.push(thread);
      return;
    }
    const tooCostly = (): HttpProblem =>
      new HttpProblem(
        'too-costly',
        'This takes longer to calculate than a request may. Make it simpler and try again; nothing was changed.',
      );
    const timer = setTimeout(() => {
      stop();
      job.reject(tooCostly());
      void thread.terminate();
    }, this.options.limit);
    const onExit = (): void => {
      stop();
      job.reject(tooCostly());
    };
    const onAnswer = (answer: Answer): void => {
      stop();
      if ('value' in answer) job.resolve(answer.value);
      else if ('problem' in answer) {
        const { type, detail } = answer.problem;
        job.reject(new HttpProblem(type, detail));
      } else job.reject(new Error(answer.error));
      this.idle.push(thread);
      this.next();
    };
    const stop = (): void => {
      clearTimeout(timer);
      thread.off('message', onAnswer);
      thread.off('exit', onExit);
    };
    thread.on('message', onAnswer);
    thread.on('exit', onExit);
    thread.postMessage(job.request);
  }
}
