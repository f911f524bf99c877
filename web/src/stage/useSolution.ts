import { figureOfStage, type Sheet, type Task } from '@bogen/core/lesson';
import { useMemo } from 'react';
import { stillHost, type FigureHost } from '../figure/scene/host.js';
import type { SolutionShown } from '../task/TaskCard.js';
import { useStateOf } from '../ui/useStateOf.js';

/**
 * The solution of a task, shown in the place of the reader's own figure for as long as they look at it.
 * @param place names the stage: at another one nothing is shown any more
 * @param own the host of the reader's figure
 * @returns the host of what is seen, and for each task what shows its solution
 */
export function useSolution(
  place: string,
  sheet: Sheet,
  own: FigureHost,
): {
  host: FigureHost;
  /** Whether a solution is shown, of whatever task. */
  isShown: boolean;
  solutionOf: (task: Task) => SolutionShown | undefined;
} {
  const [shown, setShown] = useStateOf<string | null>(place, null);
  const host = useMemo(
    () => (shown === null ? own : stillHost(figureOfStage(sheet, shown))),
    [shown, sheet, own],
  );
  return {
    host,
    isShown: shown !== null,
    solutionOf: (task) => {
      // What a predicted change comes to is shown as a solution is.
      const stage = task.kind === 'prediction' ? task.to : task.solution;
      return stage === undefined
        ? undefined
        : { isShown: shown === stage, onShow: (isShown) => setShown(isShown ? stage : null) };
    },
  };
}
