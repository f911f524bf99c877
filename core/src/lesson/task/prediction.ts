import { list, nullable, tagged, type ValueOf } from '../../describe/describe.js';
import { stepBetween, type FigureStep } from '../guess/define.js';
import {
  guessDescription,
  judgeGuess,
  questionDescription,
  truthOf,
  type Question,
} from '../guess/guesses.js';
import { describeTask, partId, taskLimits, type AnyTask, type Given, type TaskMember } from './define.js';

/** Before a change the reader says what they expect of it; then it is shown, and the guess is measured against it. */
export interface PredictionTask extends AnyTask {
  readonly kind: 'prediction';
  /** The stage that shows what comes true. */
  readonly to: string;
  readonly questions: readonly Question[];
}

const answer = tagged('kind', 'prediction', {
  /** One for each question, in order; nothing where it was not answered. */
  guesses: list(nullable(guessDescription), taskLimits.guesses),
});
export type PredictionAnswer = ValueOf<typeof answer>;

/** The change that is to be predicted: from the stage as it was given. */
const stepOfPrediction = (
  { to }: PredictionTask,
  { start, stage }: Pick<Given, 'start' | 'stage'>,
): FigureStep => stepBetween(start, stage(to));

export const prediction: TaskMember<PredictionTask, PredictionAnswer> = {
  description: describeTask('prediction', {
    to: partId,
    questions: list(questionDescription, taskLimits.guesses),
  }),
  answer,
  judge: (task, given) => {
    const step = stepOfPrediction(task, given);
    return task.questions.map((question, index) =>
      judgeGuess(question, given.answer?.guesses[index] ?? undefined, step),
    );
  },
  solve: (task, given) => {
    const step = stepOfPrediction(task, given);
    return {
      kind: 'prediction',
      guesses: task.questions.map((question) => truthOf(question, step) ?? null),
    };
  },
};
