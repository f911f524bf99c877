import type { FigureCommand, FigureDocument } from '@bogen/core/figure';
import type { Applied, Attempt, ConditionResult, Sheet, Task } from '@bogen/core/lesson';
import type { CheckedPicture } from './checkPicture.js';

interface Checked {
  readonly results: readonly ConditionResult[];
  readonly score: number | null;
}

/**
 * The calculations that run in worker threads, since what a person sends can make them take any time. Each is
 * a function of plain data, loaded by the threads of its own lane alone, so that none waits for what another
 * needs; adding one touches this list only.
 */
export const jobs = {
  check: async () => {
    const { checkTask, isTaskMet, scoreOf } = await import('@bogen/core/lesson');
    /** The results, and where the task is met the number that counts in it. */
    return (sheet: Sheet, task: Task, attempt: Attempt): Checked => {
      const results = checkTask(sheet, task, attempt);
      return { results, score: isTaskMet(results) ? (scoreOf(task, attempt.figure) ?? null) : null };
    };
  },
  changeLesson: async () => {
    const { applyLessonCommand } = await import('@bogen/core/lesson');
    return applyLessonCommand;
  },
  changeFigure: async () => {
    const { applyFigureCommand, operates, readerMay, resultsAreTrue } = await import('@bogen/core/figure');
    const { CommandError, told } = await import('@bogen/core/lesson');
    /** @param start the figure that a reader began with, where it is asked whether a reader may do this */
    return (
      document: FigureDocument,
      command: FigureCommand,
      start: FigureDocument | undefined,
    ): Applied<FigureDocument, FigureCommand> => {
      if (start) {
        if (!readerMay(document, command, start)) throw new CommandError(told('notForReaders'));
        // What an operation comes to is calculated again before it is believed.
        if (operates(command) && !resultsAreTrue(document, command))
          throw new CommandError(told('resultNotTrue'));
      }
      return applyFigureCommand(document, command);
    };
  },
  stage: async () => {
    const { figureOfStage } = await import('@bogen/core/lesson');
    return (sheet: Sheet, stage: string): FigureDocument => figureOfStage(sheet, stage);
  },
  vary: async () => {
    const { sheetFor } = await import('@bogen/core/lesson');
    return (sheets: readonly { readonly sheet: Sheet; readonly reader: string }[]): readonly Sheet[] =>
      sheets.map(({ sheet, reader }) => sheetFor(sheet, reader));
  },
  picture: async () => {
    const { checkPicture } = await import('./checkPicture.js');
    return (bytes: Uint8Array): Promise<CheckedPicture> => checkPicture(Buffer.from(bytes));
  },
};

export type JobName = keyof typeof jobs;

/** A job as it is called, once it is loaded. */
export type Job<Name extends JobName> = Awaited<ReturnType<(typeof jobs)[Name]>>;
