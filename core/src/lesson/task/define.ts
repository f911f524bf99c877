import { list, object, optional, tagged, text, type Field } from '../../describe/describe.js';
import type { FigureDocument } from '../../figure/document/document.js';
import { evaluateFigure, type Evaluation } from '../../figure/evaluation/evaluate.js';
import { targetDescription, type Target } from '../../figure/part/target.js';
import type { ConditionResult } from '../condition/define.js';
import { variationDescription, type Variation } from '../variation/variations.js';

/** How many of its parts a task may have, and how long its texts may be. */
export const taskLimits = {
  hints: 10,
  /** Conditions of its own, not counting those in groups. */
  conditions: 20,
  choices: 12,
  entries: 12,
  guesses: 6,
  variations: 12,
  promptLength: 2000,
  choiceLength: 400,
};

/** A hint, and what lights up in the figure with it. */
export interface Hint {
  readonly text: string;
  readonly lights?: readonly Target[];
}

/** What tasks of every kind have. */
export interface AnyTask {
  /** Stable, and its own within the sheet. */
  readonly id: string;
  /** The stage on which it is given. */
  readonly stage: string;
  readonly prompt: string;
  /** Given one after the other, on request. */
  readonly hints: readonly Hint[];
  /** The stage that shows how it can be done, or why. It is no stage to step through, and is played on request. */
  readonly solution?: string;
  /** What is different in the figure of its stage for each student. */
  readonly varied?: readonly Variation[];
}

export const partId = text(1, 64);
const lights = optional(list(targetDescription, 10));

const anyTask = {
  id: partId,
  stage: partId,
  prompt: text(0, taskLimits.promptLength),
  hints: list(object({ text: text(1, taskLimits.promptLength), lights }), taskLimits.hints),
  solution: optional(partId),
  varied: optional(list(variationDescription, taskLimits.variations)),
} as const;

/** The description of a kind of task, by what it has besides what all have. */
export const describeTask = <const Kind extends string, const Fields extends Readonly<Record<string, Field>>>(
  kind: Kind,
  fields: Fields,
) => tagged('kind', kind, { ...anyTask, ...fields });

/** What a task is judged on. */
export interface Given<Answer = unknown> {
  /** The figure as it was given. */
  readonly start: FigureDocument;
  /** The figure as the reader has it, and its geometry. */
  readonly figure: FigureDocument;
  readonly evaluation: Evaluation;
  /** What the reader answered; nothing where the figure is the answer, or nothing was said yet. */
  readonly answer?: Answer | undefined;
  /** The figure of a stage of the sheet. */
  readonly stage: (id: string) => FigureDocument;
}

/** What a task is judged on, with the geometry of the figure where nobody has it yet. */
export const givenOn = (given: Omit<Given, 'evaluation'> & { readonly evaluation?: Evaluation }): Given => ({
  ...given,
  evaluation: given.evaluation ?? evaluateFigure(given.figure),
});

/** A member of the registry of task kinds: everything about it that is no interface. */
export interface TaskMember<Task, Answer = never> {
  readonly description: Field;
  /** What a reader answers; not there where what they did to the figure is the answer. */
  readonly answer?: Field;
  /** One result for each thing that is asked, in order; the task is met when all are. */
  readonly judge: (task: Task, given: Given<Answer>) => readonly ConditionResult[];
  /** An answer that meets it, where it is one to give. */
  readonly solve?: (task: Task, given: Given<Answer>) => Answer | undefined;
  /** Checks what a description can't see. @throws CommandError */
  readonly validate?: (task: Task) => void;
}

/** Nothing was answered yet. */
export const unanswered: readonly ConditionResult[] = [{ met: false, measured: null }];
