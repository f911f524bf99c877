import type { Reason } from '../text/told.js';
import type { Step } from '@bogen/core/lesson';

/** A step that the server has not confirmed yet, as it rests on the device. */
export interface UnsentStep<Command> {
  readonly step: Step<Command>;
  /** The command that the step came down to: for an undo, the inverse. */
  readonly effect: Command;
  /** For an undo or a redo: the id of the step that it is about. */
  readonly of?: string;
}

/** A step that can't be saved and was taken out of the row, so that what follows it can be. */
export interface AsideStep<Command> {
  readonly id: string;
  readonly effect: Command;
  /** Why it could not be saved; steps of an earlier page say it in words. */
  readonly reason: Reason | string;
}

/** What the page before left unsent, with the revision that it started from. */
export interface LeftSteps<Command> {
  readonly base: number;
  readonly unsent: readonly UnsentStep<Command>[];
}

/** Bytes of a step as it is sent. */
export function bytesOf<Command>(step: Step<Command>): number {
  return new TextEncoder().encode(JSON.stringify(step)).length;
}
