import { list, nullable, object, ownSheetId, signs, text, type ValueOf } from '../describe/describe.js';
import { figureDescription, type FigureDocument } from '../figure/document.js';
import { conditionDescription, type Condition } from './condition/conditions.js';
import { proseDescription, type Prose } from './prose/prose.js';

export const lessonVersion = 1;

/** Limits on what is accepted. */
export const lessonLimits = { sheets: 60, titleLength: 200, conditions: 40 };

/** How many hints and conditions of its own a task has; with those in groups there are `lessonLimits.conditions`. */
export const taskLimits = { hints: 10, conditions: 20 };

export const titleText = text(1, lessonLimits.titleLength);

/** What a sheet asks of its reader. */
export interface Task {
  readonly prompt: string;
  /** Given one after the other, on request. */
  readonly hints: readonly string[];
  readonly conditions: readonly Condition[];
}

export const taskDescription = object({
  prompt: text(0, 2000),
  hints: list(text(1, 2000), taskLimits.hints),
  conditions: list(conditionDescription, taskLimits.conditions),
});

/** Prose beside one figure, with a task where the reader is asked something. */
export interface Sheet {
  /** Stable within the lesson and across its editions. */
  readonly id: string;
  readonly title: string;
  readonly prose: Prose;
  readonly figure: FigureDocument;
  readonly task: Task | null;
}

export const sheetDescription = object({
  id: ownSheetId,
  title: titleText,
  prose: proseDescription,
  figure: figureDescription,
  task: nullable(taskDescription),
});

/** A lesson as it is stored: a row of sheets. Every change to it is a `LessonCommand`. */
export interface LessonDocument {
  readonly version: typeof lessonVersion;
  readonly title: string;
  readonly sheets: readonly Sheet[];
}

export const lessonDescription = object({
  version: signs(lessonVersion),
  title: titleText,
  sheets: list(sheetDescription, lessonLimits.sheets, 1),
});

type Fits<A, B> = [A] extends [B] ? true : never;
/** Does not compile where the description and the types part ways. */
export const lessonIsDescribed: [
  Fits<Task, ValueOf<typeof taskDescription>>,
  Fits<ValueOf<typeof taskDescription>, Task>,
  Fits<LessonDocument, ValueOf<typeof lessonDescription>>,
] = [true, true, true];

/** The sheet of this id, if there is one. */
export function sheetOf(lesson: LessonDocument, id: string): Sheet | undefined {
  return lesson.sheets.find((sheet) => sheet.id === id);
}
