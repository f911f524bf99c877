import { unionOf, type Field, type UnionField } from '../../describe/describe.js';
import type { ConditionResult } from '../condition/define.js';
import { choice, type ChoiceAnswer, type ChoiceTask } from './choice.js';
import type { Given, TaskMember } from './define.js';
import { number, type NumberAnswer, type NumberTask } from './number.js';
import { order, type OrderAnswer, type OrderTask } from './order.js';
import { prediction, type PredictionAnswer, type PredictionTask } from './prediction.js';
import { shape, type ShapeTask } from './shape.js';

/** What a sheet asks of its reader. */
export type Task = ShapeTask | NumberTask | ChoiceTask | OrderTask | PredictionTask;
export type TaskKind = Task['kind'];
export type TaskOf<Kind extends TaskKind> = Extract<Task, { readonly kind: Kind }>;
/** What a reader answers, where it is not what they do to the figure. */
export type TaskAnswer = NumberAnswer | ChoiceAnswer | OrderAnswer | PredictionAnswer;

/** Every kind of task, in the order in which a list offers them. A new one is a file beside these, a line for its type and one for itself here. */
export const taskKinds = { shape, number, choice, order, prediction };

const memberOf = (kind: TaskKind): TaskMember<Task, TaskAnswer> =>
  taskKinds[kind] as unknown as TaskMember<Task, TaskAnswer>;

export const taskDescription = unionOf('kind', taskKinds) as unknown as UnionField<Task>;

const answers = Object.entries(taskKinds).flatMap(([kind, member]) =>
  'answer' in member && member.answer ? [[kind, { description: member.answer as Field }] as const] : [],
);
export const answerDescription = unionOf(
  'kind',
  Object.fromEntries(answers),
) as unknown as UnionField<TaskAnswer>;

/**
 * Judges a task by calculation. The same function runs in the browser, at once, and on the server, so that a result is
 * not a claim.
 * @returns one result for each thing that is asked, in order
 */
export function judgeTask(task: Task, given: Given): readonly ConditionResult[] {
  const { answer } = given as Given<TaskAnswer>;
  // An answer of another kind, from before the task was changed, is none.
  return memberOf(task.kind).judge(task, {
    ...given,
    answer: answer?.kind === task.kind ? answer : undefined,
  });
}

/** An answer that meets the task; nothing where the figure is the answer, or nothing meets it. */
export const solveTask = (task: Task, given: Given): TaskAnswer | undefined =>
  memberOf(task.kind).solve?.(task, given as Given<TaskAnswer>);

/** Whether a task is answered by what the reader does to the figure. */
export const isAnsweredByFigure = ({ kind }: Pick<Task, 'kind'>): boolean => !memberOf(kind).answer;

/** Checks what a description can't see. @throws CommandError */
export const validateTask = (task: Task): void => memberOf(task.kind).validate?.(task);
