import type { Progress } from '@bogen/contract';
import type { Sheet } from '@bogen/core';

/** What is known of a student's work on a sheet; `undefined` where it was never opened. */
export interface WorkFacts {
  readonly revision: number;
  readonly attempts: number;
  readonly passed: boolean;
}

/** How far a student is with a sheet. Done stays done, whatever they try afterwards. */
export function progressOf(sheet: Pick<Sheet, 'task'>, work: WorkFacts | undefined): Progress {
  if (!work) return 'unopened';
  if (!sheet.task || work.passed) return 'done';
  if (work.attempts > 0) return 'tried';
  return work.revision > 0 ? 'begun' : 'opened';
}
