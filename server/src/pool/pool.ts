import { toldByServer } from '@bogen/contract';
import { Worker } from 'node:worker_threads';
import { HttpProblem } from '../http/problem.js';
import { SharedGate } from './gate.js';
import { jobs, type Job, type JobName } from './jobs.js';
import type { Answer } from './worker.js';

export interface PoolOptions {
  /** How many of one kind run at once. */
  readonly threads: number;
  /** How many may wait; one more is told that the server is busy. */
  readonly mostWaiting: number;
  /** The same for those of one account. */
  readonly mostWaitingOfOne: number;
  /** Milliseconds that one job may take, from when it begins to run; those in which the machine let nobody run don’t count. */
  readonly limit: number;
  /** Megabytes of memory that a thread may take. */
  readonly memory: number;
  /** The file that a thread runs. */
  readonly file: URL;
}

/** What a thread runs: as it was built, or else its source by way of what translates it. */
const ownFile = new URL(
  import.meta.url.endsWith('.ts') ? './start.mjs' : '../worker/worker.js',
  import.meta.url,
);

const usual: PoolOptions = {
  threads: 2,
  mostWaiting: 60,
  mostWaitingOfOne: 20,
  limit: 2000,
  memory: 384,
  file: ownFile,
};

/** A job on a machine that is busy with something else may take this many times its limit, by the clock. */
const longestWait = 5;
/** Milliseconds after which is looked again, at the soonest. */
const shortestRest = 100;
/** Milliseconds of the processor that all threads of this process have had. */
function processorTime(): number {
  const { user, system } = process.cpuUsage();
  return (user + system) / 1000;
}

type ResultOf<Name extends JobName> = Promise<Awaited<ReturnType<Job<Name>>>>;

/** What runs jobs: the pool, or the share of an account. */
export type Runner = Pick<Pool, 'run'>;

interface Waiting {
  readonly args: readonly unknown[];
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
  private readonly lanes: Readonly<Record<JobName, Lane>>;
  private readonly shares: Readonly<Record<JobName, SharedGate>>;

  constructor(options: Partial<PoolOptions> = {}) {
    const given = { ...usual, ...options };
    const forEach = <T>(made: (name: JobName) => T): Record<JobName, T> =>
      Object.fromEntries((Object.keys(jobs) as JobName[]).map((name) => [name, made(name)])) as Record<
        JobName,
        T
      >;
    this.lanes = forEach((name) => new Lane(name, given));
    this.shares = forEach(() => new SharedGate(1, given.mostWaitingOfOne));
  }

  /**
   * Runs a job in a thread.
   * @throws HttpProblem `too-costly` where it takes too long or too much, `busy` where too many wait already
   */
  run<Name extends JobName>(name: Name, ...args: Parameters<Job<Name>>): ResultOf<Name> {
    return this.lanes[name].run(args) as ResultOf<Name>;
  }

  /** The share of an account: one job of each kind at a time, for which its others wait, and nobody else. */
  of(account: string): Runner {
    return {
      run: (name, ...args) => this.shares[name].pass(account, () => this.run(name, ...args)),
    };
  }

  /** How many jobs of each kind wait and run. */
  standing(): { job: JobName; waiting: number; running: number }[] {
    return (Object.keys(this.lanes) as JobName[]).map((job) => ({ job, ...this.lanes[job].standing() }));
  }

  async close(): Promise<void> {
    await Promise.all(Object.values(this.lanes).map((lane) => lane.close()));
  }
}

/** The threads of one kind of job, and those who wait for them. */
class Lane {
  private readonly queue: Waiting[] = [];
  private readonly idle: Worker[] = [];
  private readonly threads = new Set<Worker>();
  private closed = false;
  private running = 0;

  constructor(
    private readonly name: JobName,
    private readonly options: PoolOptions,
  ) {
    // One is there when the first job comes; the others begin when there is more to do than it can.
    this.startThread();
  }

  run(args: readonly unknown[]): Promise<unknown> {
    return new Promise((resolve, reject) => {
      if (this.queue.length >= this.options.mostWaiting || this.closed) {
        reject(
          new HttpProblem('busy', toldByServer('tooBusy'), {
            retryAfter: 2,
          }),
        );
        return;
      }
      this.queue.push({ args, resolve, reject });
      this.next();
      if (this.queue.length > 0 && this.threads.size < this.options.threads) this.startThread();
    });
  }

  standing(): { waiting: number; running: number } {
    return { waiting: this.queue.length, running: this.running };
  }

  async close(): Promise<void> {
    this.closed = true;
    await Promise.all([...this.threads].map((thread) => thread.terminate()));
  }

  private startThread(): void {
    if (this.closed) return;
    const thread = new Worker(this.options.file, {
      execArgv: [],
      workerData: this.name,
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
    const tooCostly = (): HttpProblem => new HttpProblem('too-costly', toldByServer('takesTooLong'));
    const { limit } = this.options;
    const began = performance.now();
    const processorAtFirst = processorTime();
    const end = (): void => {
      // Where the whole process got less of the processor than one job may take, it is the machine that is busy.
      const left = limit - (processorTime() - processorAtFirst);
      if (left > 0 && performance.now() - began < longestWait * limit) {
        timer = setTimeout(end, Math.max(left, shortestRest));
        return;
      }
      stop();
      job.reject(tooCostly());
      void thread.terminate();
    };
    let timer = setTimeout(end, limit);
    const onExit = (): void => {
      stop();
      job.reject(tooCostly());
    };
    const onAnswer = (answer: Answer): void => {
      stop();
      if ('value' in answer) job.resolve(answer.value);
      else if ('problem' in answer) {
        const { type, told } = answer.problem;
        job.reject(new HttpProblem(type, told));
      } else job.reject(new Error(answer.error));
      this.idle.push(thread);
      this.next();
    };
    this.running++;
    const stop = (): void => {
      this.running--;
      clearTimeout(timer);
      thread.off('message', onAnswer);
      thread.off('exit', onExit);
    };
    thread.on('message', onAnswer);
    thread.on('exit', onExit);
    thread.postMessage(job.args);
  }
}
