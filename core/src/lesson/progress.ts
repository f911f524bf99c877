/** How far somebody is with a sheet. */
export type Progress = 'unopened' | 'opened' | 'begun' | 'tried' | 'done';

/** What is known of a student's work on a sheet, all its stages and tasks together. */
export interface WorkFacts {
  /** Whether a stage of it was opened. */
  readonly isOpened: boolean;
  /** Whether anything of a figure was changed. */
  readonly isChanged: boolean;
  readonly attempts: number;
  /** The tasks that were met. */
  readonly passed: readonly string[];
}

/** How far a student is with a sheet. Done stays done, whatever they try afterwards. */
export function progressOf(tasks: readonly string[], work: WorkFacts): Progress {
  if (!work.isOpened) return 'unopened';
  if (tasks.every((task) => work.passed.includes(task))) return 'done';
  if (work.attempts > 0) return 'tried';
  return work.isChanged ? 'begun' : 'opened';
}
