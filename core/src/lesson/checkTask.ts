import { CurveError } from '../curve/error.js';
import { itemOf, type FigureDocument } from '../figure/document.js';
import { curveOf, evaluateFigure, type Evaluation } from '../figure/evaluate.js';
import { conditions, type Condition } from './condition/conditions.js';
import { notThere, type ConditionResult, type Judged } from './condition/define.js';
import type { Task } from './lesson.js';

/**
 * Judges a task by calculation. The same function runs in the browser, at once, and on the server, so
 * that a result is not a claim.
 * @param start the figure as it was given
 * @param figure the figure as the reader has it
 * @returns one result for each condition, in order
 */
export function checkTask(
  task: Task,
  start: FigureDocument,
  figure: FigureDocument,
  evaluation: Evaluation = evaluateFigure(figure),
): ConditionResult[] {
  const before = evaluateFigure(start);
  return task.conditions.map((condition) => {
    const curve = curveOf(evaluation, condition.item);
    const startCurve = curveOf(before, condition.item);
    const item = itemOf(figure, condition.item);
    const startItem = itemOf(start, condition.item);
    if (!curve || !startCurve || !item || !startItem) return notThere;
    const { judge } = conditions[condition.kind] as {
      readonly judge: (condition: Condition, now: Judged, start: Judged) => ConditionResult;
    };
    try {
      return judge(
        condition,
        { document: figure, evaluation, curve, item },
        { document: start, evaluation: before, curve: startCurve, item: startItem },
      );
    } catch (error) {
      // What can't be measured, as at a pole or of a curve with weights below zero, is not met.
      if (error instanceof CurveError) return notThere;
      throw error;
    }
  });
}

/** Whether every condition is met; a task without conditions is never done by itself. */
export function isTaskMet(results: readonly ConditionResult[]): boolean {
  return results.length > 0 && results.every(({ met }) => met);
}
