import type { Progress } from '@bogen/contract';

/** What is known of a student's work on a sheet; `undefined` where it was never opened. */
export interface WorkFacts {
  readonly revision: number;
  readonly attempts: number;
  readonly passed: boolean;
}

/** How far a student is with a sheet. Done stays done, whatever they try afterwards. */
export function progressOf(hasTask: boolean, work: WorkFacts | undefined): Progress {
  if (!work) return 'unopened';
  if (!hasTask || work.passed) return 'done';
  if (work.attempts > 0) return 'tried';
  return work.revision > 0 ? 'begun' : 'opened';
}
