import { applyFigureCommand, readerMay } from '../figure/change/applyCommand.js';
import { singleCommands } from '../figure/command/commands.js';
import type { FigureDocument } from '../figure/document/document.js';
import { answerTo, checkTask, isTaskMet } from './checkTask.js';
import type { Sheet } from './lesson.js';
import { figureOfStage } from './stage/states.js';
import { isVaried, variedSheet } from './stage/vary.js';
import { ranksOf } from './task/order.js';
import { givenOn } from './task/define.js';
import { isAnsweredByFigure, type Task } from './task/tasks.js';

/** What would keep a task from being a task: each is told to whoever writes it. */
export type TaskFlaw =
  | 'metAtStart'
  | 'solutionFails'
  | 'notForReaders'
  | 'notMeasured'
  | 'noneRight'
  | 'noneWrong'
  | 'emptyText'
  | 'tooFewEntries'
  | 'allEqual'
  | 'nothingAsked'
  | 'stageGone';

/** How a task comes out where it is tried: on the figure as given, and on its solution. */
export interface TriedTask {
  /** Whether there is a solution that meets it. */
  readonly isMetBySolution: boolean;
  readonly flaws: readonly TaskFlaw[];
}

/** How many of the sheets that students get are tried, where they differ. */
const triedSeeds = 4;

/** Tries a task as it is written and, where students get different figures, on some of theirs. */
export function triedTask(sheet: Sheet, task: Task): TriedTask {
  const sheets = [
    sheet,
    ...(isVaried({ tasks: [task] })
      ? Array.from({ length: triedSeeds }, (_, seed) => variedSheet(sheet, seed))
      : []),
  ];
  const tried = sheets.map((one) => triedOn(one, task));
  return {
    isMetBySolution: tried.every(({ isMetBySolution }) => isMetBySolution),
    flaws: [...new Set(tried.flatMap(({ flaws }) => flaws))],
  };
}

function triedOn(sheet: Sheet, task: Task): TriedTask {
  const isThere = (id: string): boolean => sheet.stages.some((stage) => stage.id === id);
  if (!isThere(task.stage) || (task.kind === 'prediction' && !isThere(task.to)))
    return { isMetBySolution: false, flaws: ['stageGone'] };
  const start = figureOfStage(sheet, task.stage);
  if (isAnsweredByFigure(task)) {
    const solution = task.solution === undefined ? undefined : figureOfStage(sheet, task.solution);
    const isMet = solution !== undefined && isTaskMet(checkTask(sheet, task, { start, figure: solution }));
    return {
      isMetBySolution: isMet,
      flaws: [
        ...(isTaskMet(checkTask(sheet, task, { start, figure: start })) ? (['metAtStart'] as const) : []),
        ...(solution && !isMet ? (['solutionFails'] as const) : []),
        ...(task.solution !== undefined && isBeyondReaders(sheet, task.stage, task.solution, start)
          ? (['notForReaders'] as const)
          : []),
      ],
    };
  }
  const answer = answerTo(sheet, task, { start, figure: start });
  const isMet = answer !== undefined && isTaskMet(checkTask(sheet, task, { start, figure: start, answer }));
  return { isMetBySolution: isMet, flaws: flawsOf(task, sheet, isMet) };
}

/**
 * Whether the stages from the one with the task to the one with the solution do what readers may not do. A curve that was set
 * as a whole says nothing: whoever wrote it may have come there in another way than a reader does.
 */
function isBeyondReaders(sheet: Sheet, from: string, to: string, start: FigureDocument): boolean {
  const at = (id: string): number => sheet.stages.findIndex((stage) => stage.id === id);
  let figure = start;
  for (const { commands } of sheet.stages.slice(at(from) + 1, at(to) + 1))
    for (const command of commands.flatMap((one) => singleCommands(one))) {
      if (command.name !== 'setCurve' && !readerMay(figure, command, start)) return true;
      figure = applyFigureCommand(figure, command).document;
    }
  return false;
}

function flawsOf(task: Task, sheet: Sheet, isMet: boolean): TaskFlaw[] {
  switch (task.kind) {
    case 'shape':
      return [];
    case 'number':
      return isMet ? [] : ['notMeasured'];
    case 'choice': {
      const rightCount = task.choices.filter(({ isRight }) => isRight).length;
      return [
        ...(rightCount === 0 ? (['noneRight'] as const) : []),
        ...(rightCount === task.choices.length ? (['noneWrong'] as const) : []),
        ...(task.choices.some(({ text }) => text.trim() === '') ? (['emptyText'] as const) : []),
      ];
    }
    case 'order': {
      const figure = figureOfStage(sheet, task.stage);
      const ranks = ranksOf(task, givenOn({ start: figure, figure, stage: () => figure }));
      if (task.entries.length < 2) return ['tooFewEntries'];
      if (!ranks) return ['notMeasured'];
      return [
        ...(new Set(ranks).size === 1 ? (['allEqual'] as const) : []),
        ...(task.entries.some(({ text }) => text.trim() === '') ? (['emptyText'] as const) : []),
      ];
    }
    case 'prediction':
      if (task.questions.length === 0) return ['nothingAsked'];
      return isMet ? [] : ['notMeasured'];
  }
}
