import { withinEffort } from '../curve/effort.js';
import type { FigureDocument } from '../figure/document/document.js';
import type { Evaluation } from '../figure/evaluation/evaluate.js';
import type { ConditionResult } from './condition/define.js';
import type { Sheet } from './lesson.js';
import { figureOfStage } from './stage/states.js';
import { givenOn } from './task/define.js';
import { judgeTask, solveTask, type Task, type TaskAnswer } from './task/tasks.js';

/**
 * What one check may take, and finding out a score beside it, in steps of `spend`: about 200 ms on two slow cores, twice to three times what the dearest check takes on curves
 * of sixty points.
 */
export const mostEffort = 740_000;

/** What a reader has done for a task. */
export interface Attempt {
  /** The figure as it was given, and as they have it. */
  readonly start: FigureDocument;
  readonly figure: FigureDocument;
  readonly evaluation?: Evaluation | undefined;
  readonly answer?: TaskAnswer | undefined;
}

const given = (sheet: Sheet, { evaluation, ...attempt }: Attempt) =>
  givenOn({
    ...attempt,
    ...(evaluation ? { evaluation } : {}),
    stage: (id) => figureOfStage(sheet, id),
  });

/**
 * Judges a task of a sheet by calculation, in the browser and on the server alike.
 * @returns one result for each thing that is asked, in order
 */
export const checkTask = (sheet: Sheet, task: Task, attempt: Attempt): readonly ConditionResult[] =>
  withinEffort(mostEffort, () => judgeTask(task, given(sheet, attempt)));

/** An answer that meets a task of a sheet; nothing where the figure is the answer, or nothing meets it. */
export const answerTo = (sheet: Sheet, task: Task, attempt: Attempt): TaskAnswer | undefined =>
  withinEffort(mostEffort, () => solveTask(task, given(sheet, attempt)));

/** Whether everything that is asked is met; a task that asks nothing is never done by itself. */
export function isTaskMet(results: readonly ConditionResult[]): boolean {
  return results.length > 0 && results.every(({ met }) => met);
}
