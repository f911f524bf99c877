import { list, object, optional, tagged, text, unionOf, type UnionField } from '../../describe/describe.js';
import { targetDescription, type Target } from '../../figure/target.js';
import { conditionDescription, type Condition } from '../condition/conditions.js';

/** How many hints and conditions of its own a task has; with those in groups there are `lessonLimits.conditions`. */
export const taskLimits = { hints: 10, conditions: 20, promptLength: 2000 };

/** A hint, and what lights up in the figure with it. */
export interface Hint {
  readonly text: string;
  readonly lights?: readonly Target[];
}

interface AnyTask {
  /** Stable, and its own within the sheet. */
  readonly id: string;
  /** The stage on which it is given. */
  readonly stage: string;
  readonly prompt: string;
  /** Given one after the other, on request. */
  readonly hints: readonly Hint[];
}

/** The figure is to be brought to a state. */
export interface ShapeTask extends AnyTask {
  readonly kind: 'shape';
  readonly conditions: readonly Condition[];
  /** The stage that shows how it can be done. It is no stage to step through, and is played on request. */
  readonly solution?: string;
}

/** What a sheet asks of its reader. */
export type Task = ShapeTask;
export type TaskKind = Task['kind'];

const partId = text(1, 64);
const anyTask = {
  id: partId,
  stage: partId,
  prompt: text(0, taskLimits.promptLength),
  hints: list(
    object({ text: text(1, taskLimits.promptLength), lights: optional(list(targetDescription, 10)) }),
    taskLimits.hints,
  ),
} as const;

export const taskDescription: UnionField<Task> = unionOf('kind', {
  shape: {
    description: tagged('kind', 'shape', {
      ...anyTask,
      conditions: list(conditionDescription, taskLimits.conditions),
      solution: optional(partId),
    }),
  },
});
