import { withinEffort } from '../curve/effort.js';
import { CurveError } from '../curve/error.js';
import type { FigureDocument } from '../figure/document/document.js';
import { evaluateFigure, type Evaluation } from '../figure/evaluation/evaluate.js';
import { measured } from '../figure/measure/measures.js';
import { mostEffort } from './checkTask.js';
import { numberOf } from './task/number.js';
import type { Task } from './task/tasks.js';

/**
 * The number that counts in a task whose figure is to be brought to a state, where it has one: the lower the better. Only
 * who has met the task is compared by it.
 * @returns nothing where nothing counts, or it can't be measured
 */
export function scoreOf(task: Task, figure: FigureDocument, evaluation?: Evaluation): number | undefined {
  if (task.kind !== 'shape' || !task.score) return undefined;
  const { score } = task;
  try {
    return withinEffort(mostEffort, () =>
      numberOf(
        measured(score, { document: figure, evaluation: evaluation ?? evaluateFigure(figure), cursor: 0 }),
      ),
    );
  } catch (error) {
    if (error instanceof CurveError) return undefined;
    throw error;
  }
}
