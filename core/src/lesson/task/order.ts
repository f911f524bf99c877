import {
  list,
  number,
  object,
  optional,
  tagged,
  text,
  whole,
  type ValueOf,
} from '../../describe/describe.js';
import { measured, measureDescription, type Measure } from '../../figure/measure/measures.js';
import { targetDescription, type Target } from '../../figure/part/target.js';
import { describeTask, taskLimits, unanswered, type AnyTask, type Given, type TaskMember } from './define.js';
import { numberOf } from './number.js';

/** Something to be put in its place. */
export interface OrderEntry {
  readonly text: string;
  /** What of the figure it is about. */
  readonly lights?: readonly Target[];
  /** What it is ranked by, where the order is measured of the figure. */
  readonly measure?: Measure;
}

/**
 * Things are to be put in their order: the one in which the task holds them, or where all have something to be measured,
 * that of the measured values, from the smallest.
 */
export interface OrderTask extends AnyTask {
  readonly kind: 'order';
  readonly entries: readonly OrderEntry[];
  /** The parameter at which it is measured, where it is something at the cursor. */
  readonly cursor?: number;
}

const answer = tagged('kind', 'order', {
  /** The entries by their places in the task, in the order in which the reader put them. */
  order: list(whole(0, taskLimits.entries - 1), taskLimits.entries),
});
export type OrderAnswer = ValueOf<typeof answer>;

/** Whether the order is measured of the figure. */
export const isMeasuredOrder = ({ entries }: Pick<OrderTask, 'entries'>): boolean =>
  entries.length > 0 && entries.every(({ measure }) => measure);

/** What each entry is ranked by; nothing where something of it can't be measured. */
export function ranksOf(
  task: Pick<OrderTask, 'entries' | 'cursor'>,
  { figure, evaluation }: Pick<Given, 'figure' | 'evaluation'>,
): readonly number[] | undefined {
  if (!isMeasuredOrder(task)) return task.entries.map((_, index) => index);
  const of = { document: figure, evaluation, cursor: task.cursor ?? 0 };
  const ranks = task.entries.map(({ measure }) => numberOf(measured(measure!, of)));
  return ranks.every((rank) => rank !== undefined) ? ranks : undefined;
}

/** Whether measured values count as one rank: what differs by rounding alone is not told apart. */
const isSame = (a: number, b: number): boolean =>
  Math.abs(a - b) <= 1e-9 * Math.max(1, Math.abs(a), Math.abs(b));

export const order: TaskMember<OrderTask, OrderAnswer> = {
  description: describeTask('order', {
    entries: list(
      object({
        text: text(0, taskLimits.choiceLength),
        lights: optional(list(targetDescription, 10)),
        measure: optional(measureDescription),
      }),
      taskLimits.entries,
    ),
    cursor: optional(number({ unit: 'parameter' })),
  }),
  answer,
  judge: (task, given) => {
    const ranks = ranksOf(task, given);
    const put = given.answer?.order;
    const isWhole = put && put.length === task.entries.length && new Set(put).size === put.length;
    if (!ranks || !isWhole || put.some((index) => index >= ranks.length)) return unanswered;
    const wanted = ranks.toSorted((a, b) => a - b);
    return put.map((index, place) => ({
      met: put.length > 1 && isSame(ranks[index]!, wanted[place]!),
      measured: place + 1,
    }));
  },
  solve: (task, given) => {
    const ranks = ranksOf(task, given);
    return ranks && { kind: 'order', order: [...ranks.keys()].toSorted((a, b) => ranks[a]! - ranks[b]!) };
  },
};
