import { toldByServer } from '@bogen/contract';
import { HttpProblem } from '../http/problem.js';

/**
 * Lets a few in at once and the others wait their turn: for work that holds a connection of the database while a
 * worker thread calculates, so that a class doing the same at once leaves connections to everybody else.
 */
export class Gate {
  private inside = 0;
  private readonly waiting: (() => void)[] = [];

  constructor(
    private readonly most: number,
    private readonly mostWaiting: number,
  ) {}

  /** @throws HttpProblem `busy` where too many wait already */
  async pass<T>(work: () => Promise<T>): Promise<T> {
    if (this.inside >= this.most) {
      if (this.waiting.length >= this.mostWaiting)
        throw new HttpProblem('busy', toldByServer('tooBusy'), { retryAfter: 2 });
      await new Promise<void>((resolve) => this.waiting.push(resolve));
    } else this.inside++;
    try {
      return await work();
    } finally {
      // The place goes to the next one, or is free.
      const next = this.waiting.shift();
      if (next) next();
      else this.inside--;
    }
  }
}

/** A gate for each: lets a few of one in at once, so that nobody takes what is meant for all. */
export class SharedGate {
  private readonly gates = new Map<string, { gate: Gate; users: number }>();

  constructor(
    private readonly most: number,
    private readonly mostWaiting: number,
  ) {}

  /** @throws HttpProblem `busy` where too many of the same wait already */
  async pass<T>(of: string, work: () => Promise<T>): Promise<T> {
    const own = this.gates.get(of) ?? { gate: new Gate(this.most, this.mostWaiting), users: 0 };
    this.gates.set(of, own);
    own.users++;
    try {
      return await own.gate.pass(work);
    } finally {
      own.users--;
      if (own.users === 0) this.gates.delete(of);
    }
  }
}
