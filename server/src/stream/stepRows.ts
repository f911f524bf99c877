import { told } from '@bogen/core/lesson';
import { CommandError, type Step } from '@bogen/core/lesson';
import type { Tx } from '../db/connect.js';

interface Row {
  readonly stream_id: string;
  readonly revision: number;
  readonly id: string;
  readonly kind: 'do' | 'undo' | 'redo';
  readonly command: string | null;
  readonly inverse: string | null;
  readonly effect: string | null;
  readonly of_revision: number | null;
  readonly state: 'done' | null;
  readonly author: string;
  readonly client_at: Date | null;
  readonly version: number;
}

/**
 * The rows of one append on their way into the log. They are written together, and before the log is asked what
 * can be undone. What can be undone is kept in the rows themselves: a step is *done*, *undone*, or *dropped* when
 * something else was done after it was undone.
 */
export class StepRows<Command> {
  private waiting: Row[] = [];
  /** Whether what was undone before is known to be dropped. */
  private dropped = false;

  constructor(
    private readonly tx: Tx,
    private readonly stream: string,
    private readonly author: string,
    private readonly version: number,
  ) {}

  async done(revision: number, step: Step<Command> & { kind: 'do' }, inverse: Command): Promise<void> {
    if (!this.dropped) {
      await this.flush();
      await this.tx
        .updateTable('stream_step')
        .set({ state: 'dropped' })
        .where('stream_id', '=', this.stream)
        .where('author', '=', this.author)
        .where('kind', '=', 'do')
        .where('state', '=', 'undone')
        .execute();
      this.dropped = true;
    }
    this.push(revision, step, {
      command: JSON.stringify(step.command),
      inverse: JSON.stringify(inverse),
      state: 'done',
    });
  }

  /**
   * The step that an undo or a redo is about.
   * @throws CommandError where there is none
   */
  async next(
    kind: 'undo' | 'redo',
    read: (stored: Command, version: number) => Command,
  ): Promise<{ revision: number; command: Command; inverse: Command }> {
    await this.flush();
    const row = await this.tx
      .selectFrom('stream_step')
      .select(['revision', 'command', 'inverse', 'version'])
      .where('stream_id', '=', this.stream)
      .where('author', '=', this.author)
      .where('kind', '=', 'do')
      .where('state', '=', kind === 'undo' ? 'done' : 'undone')
      .orderBy('revision', kind === 'undo' ? 'desc' : 'asc')
      .limit(1)
      .executeTakeFirst();
    if (!row) throw new CommandError(told(kind === 'undo' ? 'nothingToUndo' : 'nothingToRedo'));
    return {
      revision: row.revision,
      command: read(row.command as Command, row.version),
      inverse: read(row.inverse as Command, row.version),
    };
  }

  /** @param inverse of the effect: after a redo it is what takes the step back from now on */
  async undoneOrRedone(
    revision: number,
    step: Step<Command>,
    of: number,
    effect: Command,
    inverse: Command,
  ): Promise<void> {
    const undone = step.kind === 'undo';
    await this.tx
      .updateTable('stream_step')
      .set(
        undone
          ? { state: 'undone' }
          : {
              state: 'done',
              inverse: JSON.stringify(inverse),
              command: JSON.stringify(effect),
              version: this.version,
            },
      )
      .where('stream_id', '=', this.stream)
      .where('revision', '=', of)
      .execute();
    if (undone) this.dropped = false;
    this.push(revision, step, { effect: JSON.stringify(effect), of_revision: of });
  }

  async flush(): Promise<void> {
    if (this.waiting.length === 0) return;
    await this.tx.insertInto('stream_step').values(this.waiting).execute();
    this.waiting = [];
  }

  private push(revision: number, step: Step<Command>, rest: Partial<Row>): void {
    this.waiting.push({
      stream_id: this.stream,
      revision,
      id: step.id,
      kind: step.kind,
      command: null,
      inverse: null,
      effect: null,
      of_revision: null,
      state: null,
      author: this.author,
      client_at: step.at === undefined ? null : new Date(step.at),
      version: this.version,
      ...rest,
    });
  }
}
