import { type FigureDocument } from '@bogen/core/figure';
import { checkTask, type ConditionResult, type Task } from '@bogen/core/lesson';
import { checkPicture, type CheckedPicture } from './checkPicture.js';

/**
 * The calculations that run in worker threads, since what a person sends can make them take any time. Each is
 * a function of plain data; adding one touches this list only.
 */
export const jobs = {
  check: (task: Task, start: FigureDocument, figure: FigureDocument): ConditionResult[] =>
    checkTask(task, start, figure),
  picture: (bytes: Uint8Array): Promise<CheckedPicture> => checkPicture(Buffer.from(bytes)),
};

export type Jobs = typeof jobs;
export type JobName = keyof Jobs;
