import type { FigureDocument } from '../../src/figure/document/document.js';
import { evaluateFigure } from '../../src/figure/evaluation/evaluate.js';
import type { Condition } from '../../src/lesson/condition/conditions.js';
import type { ConditionResult } from '../../src/lesson/condition/define.js';
import { atStart, judgeCondition } from '../../src/lesson/condition/judge.js';

/** How one condition comes out on a figure, by itself. */
export const judgeAlone = (
  condition: Condition,
  start: FigureDocument,
  figure: FigureDocument,
): ConditionResult => judgeCondition(condition, atStart(start), [figure, evaluateFigure(figure)]);
