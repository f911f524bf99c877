import { toldByServer } from '@bogen/contract';
import { HttpProblem } from '../http/problem.js';
import type { StreamKind } from './kind.js';

/** Milliseconds after which everybody else gets their turn, and those that all commands of a request may take. */
const limits = { turn: 15, all: 1500 };

/**
 * Gives commands to a document one after the other, so that nobody else waits for them: what takes long is done in a
 * thread of its own, and between the others there are breaks.
 */
export class Applying<Document, Command> {
  /** What its own turns have taken, and what was done in other threads; not the turns of everybody else. */
  private spent = 0;
  private turn = performance.now();

  constructor(
    private readonly kind: Pick<StreamKind<Document, Command>, 'apply' | 'permit' | 'elsewhere'>,
    private now: Document,
  ) {}

  get document(): Document {
    return this.now;
  }

  /**
   * Gives a command where it is permitted.
   * @returns what takes it back
   * @throws CommandError where it does not fit, HttpProblem `too-costly` where all take too long
   */
  do(command: Command): Promise<Command> {
    return this.give(command, true);
  }

  /** Gives a command that was permitted before. */
  again(command: Command): Promise<Command> {
    return this.give(command, false);
  }

  private async give(command: Command, isAsked: boolean): Promise<Command> {
    await this.breathe();
    const { elsewhere } = this.kind;
    if (elsewhere?.takesLong(command)) {
      const applied = await elsewhere.apply(this.now, command, isAsked);
      this.endTurn();
      this.now = applied.document;
      return applied.inverse;
    }
    if (isAsked) this.kind.permit?.(this.now, command);
    const applied = this.kind.apply(this.now, command);
    this.now = applied.document;
    return applied.inverse;
  }

  private async breathe(): Promise<void> {
    const since = performance.now() - this.turn;
    if (this.spent + since > limits.all) throw new HttpProblem('too-costly', toldByServer('takesTooLong'));
    if (since < limits.turn) return;
    this.endTurn();
    await new Promise((go) => setImmediate(go));
    this.turn = performance.now();
  }

  private endTurn(): void {
    const time = performance.now();
    this.spent += time - this.turn;
    this.turn = time;
  }
}
