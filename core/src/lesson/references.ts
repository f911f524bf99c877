import { referencesIn } from '../describe/ids.js';
import { itemOf, type FigureDocument } from '../figure/document/document.js';
import { looksOf } from '../figure/document/seen.js';
import { looksDescription } from '../figure/document/looks.js';
import { sourcesOf, type FigureItem } from '../figure/document/item.js';
import { conditionDescription } from './condition/conditions.js';
import type { Sheet } from './lesson.js';
import { figureOfStage } from './stage/states.js';
import { taskDescription, type Task } from './task/tasks.js';

/** What of a sheet refers to an item of its figure, and would be without it. */
export interface Dependents {
  /** Items that are built from it. */
  readonly items: readonly FigureItem[];
  /** Tasks that ask something of it. */
  readonly tasks: readonly Task[];
  /** Whether it is on the rail, compared with, or side by side with another. */
  readonly shown: boolean;
}

/**
 * Everything in a sheet that refers to an item, found by the descriptions of what refers.
 * @param figure the figure as the stage in question shows it
 */
export function dependentsOf({ tasks }: Sheet, figure: FigureDocument, item: string): Dependents {
  return {
    items: figure.items.filter((other) => sourcesOf(other).includes(item)),
    tasks: tasks.filter((task) => referencesIn(taskDescription, task).includes(item)),
    shown: figure.rail.item === item || referencesIn(looksDescription, looksOf(figure)).includes(item),
  };
}

/** The conditions of a task that name an item that is not in the figure of its stage, by index. */
export function lostConditions(sheet: Sheet, task: Task): readonly number[] {
  if (task.kind !== 'shape') return [];
  const figure = figureOfStage(sheet, task.stage);
  return task.conditions.flatMap((condition, index) =>
    referencesIn(conditionDescription, condition).some((id) => !itemOf(figure, id)) ? [index] : [],
  );
}
