import { referencesIn } from '../describe/ids.js';
import { itemOf, looksDescription, looksOf, sourcesOf, type FigureItem } from '../figure/document.js';
import { conditionDescription } from './condition/conditions.js';
import type { Sheet } from './lesson.js';

/** What of a sheet refers to an item of its figure, and would be without it. */
export interface Dependents {
  /** Items that are built from it. */
  readonly items: readonly FigureItem[];
  /** Indices of the task's conditions that ask something of it. */
  readonly conditions: readonly number[];
  /** Whether it is on the rail, compared with, or side by side with another. */
  readonly shown: boolean;
}

/** Everything in a sheet that refers to an item, found by the descriptions of what refers. */
export function dependentsOf(sheet: Sheet, item: string): Dependents {
  const { figure, task } = sheet;
  return {
    items: figure.items.filter((other) => sourcesOf(other).includes(item)),
    conditions: (task?.conditions ?? []).flatMap((condition, index) =>
      referencesIn(conditionDescription, condition).includes(item) ? [index] : [],
    ),
    shown: figure.rail.item === item || referencesIn(looksDescription, looksOf(figure)).includes(item),
  };
}

/** The conditions of a sheet's task that name an item that is not in its figure, by index. */
export function lostConditions({ figure, task }: Sheet): readonly number[] {
  return (task?.conditions ?? []).flatMap((condition, index) =>
    referencesIn(conditionDescription, condition).some((id) => !itemOf(figure, id)) ? [index] : [],
  );
}
