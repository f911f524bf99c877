import { batchLimits } from '@bogen/contract/limits';

/** What counts for the size of a request. */
export interface Sized {
  readonly bytes: number;
  /** How many commands are in it. */
  readonly commands: number;
}

/** Room for the braces and keys around a step, and for the request's own. */
const aroundStep = 8;
const aroundBatch = 100;

/** Whether a step could not be sent even alone. */
export function isTooLargeAlone({ bytes, commands }: Sized): boolean {
  return bytes + aroundStep + aroundBatch > batchLimits.bytes || commands > batchLimits.commands;
}

/** How many of the first steps go into one request, by count, by commands and by bytes. */
export function batchLength(steps: readonly Sized[], most: number = batchLimits.steps): number {
  let [bytes, commands, count] = [aroundBatch, 0, 0];
  for (const step of steps) {
    bytes += step.bytes + aroundStep;
    commands += step.commands;
    if (count >= Math.min(most, batchLimits.steps)) break;
    if (count > 0 && (bytes > batchLimits.bytes || commands > batchLimits.commands)) break;
    count++;
  }
  return count;
}
