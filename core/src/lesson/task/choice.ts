import {
  list,
  object,
  onlyTrue,
  optional,
  tagged,
  text,
  whole,
  type ValueOf,
} from '../../describe/describe.js';
import { targetDescription, type Target } from '../../figure/part/target.js';
import { describeTask, taskLimits, unanswered, type AnyTask, type TaskMember } from './define.js';

/** One of the answers to choose from. */
export interface ChoiceOffered {
  readonly text: string;
  readonly isRight?: true;
  /** Why it is wrong, or right; told when it was chosen. */
  readonly reason?: string;
  /** What of the figure it is about. */
  readonly lights?: readonly Target[];
}

/** The right answers are to be chosen among others: one, or all that are right. */
export interface ChoiceTask extends AnyTask {
  readonly kind: 'choice';
  readonly choices: readonly ChoiceOffered[];
}

const answer = tagged('kind', 'choice', {
  /** By their places in the task. */
  chosen: list(whole(0, taskLimits.choices - 1), taskLimits.choices),
});
export type ChoiceAnswer = ValueOf<typeof answer>;

/** Whether several are right, so that several can be chosen. */
export const hasSeveralRight = ({ choices }: Pick<ChoiceTask, 'choices'>): boolean =>
  choices.filter(({ isRight }) => isRight).length > 1;

const right = ({ choices }: ChoiceTask): number[] =>
  choices.flatMap(({ isRight }, index) => (isRight ? [index] : []));

export const choice: TaskMember<ChoiceTask, ChoiceAnswer> = {
  description: describeTask('choice', {
    choices: list(
      object({
        text: text(0, taskLimits.choiceLength),
        isRight: optional(onlyTrue),
        reason: optional(text(1, taskLimits.choiceLength)),
        lights: optional(list(targetDescription, 10)),
      }),
      taskLimits.choices,
    ),
  }),
  answer,
  judge: (task, given) => {
    if (!given.answer || given.answer.chosen.length === 0) return unanswered;
    const chosen = new Set(given.answer.chosen);
    const wanted = right(task);
    const found = wanted.filter((index) => chosen.has(index)).length;
    return [{ met: wanted.length > 0 && found === wanted.length && found === chosen.size, measured: found }];
  },
  solve: (task) => ({ kind: 'choice', chosen: right(task) }),
};
