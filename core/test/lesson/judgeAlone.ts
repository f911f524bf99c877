import {
  atStart,
  evaluateFigure,
  judgeCondition,
  type Condition,
  type ConditionResult,
  type FigureDocument,
} from '../everything.js';

/** How one condition comes out on a figure, by itself. */
export const judgeAlone = (
  condition: Condition,
  start: FigureDocument,
  figure: FigureDocument,
): ConditionResult => judgeCondition(condition, atStart(start), [figure, evaluateFigure(figure)]);
