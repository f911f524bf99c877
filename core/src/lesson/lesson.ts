import { list, object, optional, ownSheetId, signs, text, type ValueOf } from '../describe/describe.js';
import { figureCommandDescription, type FigureCommand } from '../figure/command/commands.js';
import { figureDescription, type FigureDocument } from '../figure/document/document.js';
import { notationDescription, usualNotation, type Notation } from '../notation/notation.js';
import { emptyProse, proseDescription, type Prose } from './prose/prose.js';
import { partId } from './task/define.js';
import { taskDescription, type Task } from './task/tasks.js';

export const lessonVersion = 2;

/** Limits on what is accepted. */
export const lessonLimits = {
  sheets: 60,
  titleLength: 200,
  stages: 40,
  stageCommands: 200,
  tasks: 10,
};

export const titleText = text(1, lessonLimits.titleLength);

/** The id of the stage that a sheet begins with, where nobody chose another. */
export const firstStageId = 'first';

export const captionText = text(0, 400);
export const notesText = text(0, 4000);
const stageCommands = list(figureCommandDescription, lessonLimits.stageCommands);

/**
 * One state of a sheet's figure. It is held as what was done since the stage before it, so that it follows when an
 * earlier stage changes; the first one is the sheet's figure itself.
 */
export interface Stage {
  readonly id: string;
  readonly caption: string;
  /** What the instructor says to it; students never see it. */
  readonly notes?: string;
  readonly commands: readonly FigureCommand[];
  /** The state that it had when its commands last fitted; there only while they do not. */
  readonly kept?: FigureDocument;
}

export const stageDescription = object({
  id: partId,
  caption: captionText,
  notes: optional(notesText),
  commands: stageCommands,
  kept: optional(figureDescription),
});

/** Prose beside one figure with its stages, and tasks where the reader is asked something. */
export interface Sheet {
  /** Stable within the lesson and across its editions. */
  readonly id: string;
  readonly title: string;
  readonly prose: Prose;
  /** The state of the first stage. */
  readonly figure: FigureDocument;
  /** In the order in which they are stepped through; at least one. */
  readonly stages: readonly Stage[];
  readonly tasks: readonly Task[];
}

export const sheetDescription = object({
  id: ownSheetId,
  title: titleText,
  prose: proseDescription,
  figure: figureDescription,
  stages: list(stageDescription, lessonLimits.stages, 1),
  tasks: list(taskDescription, lessonLimits.tasks),
});

/** A sheet with one stage, and nothing yet asked or said. */
export function newSheet(
  given: Pick<Sheet, 'id' | 'title' | 'figure'> & Partial<Pick<Sheet, 'prose' | 'stages' | 'tasks'>>,
): Sheet {
  return {
    prose: emptyProse,
    stages: [{ id: firstStageId, caption: '', commands: [] }],
    tasks: [],
    ...given,
  };
}

/** A lesson as it is stored: a row of sheets. Every change to it is a `LessonCommand`. */
export interface LessonDocument {
  readonly version: typeof lessonVersion;
  readonly title: string;
  /** How its figures are written down; the usual way where it says nothing. */
  readonly notation?: Notation;
  readonly sheets: readonly Sheet[];
}

export const lessonDescription = object({
  version: signs(lessonVersion),
  title: titleText,
  notation: optional(notationDescription),
  sheets: list(sheetDescription, lessonLimits.sheets, 1),
});

type Fits<A, B> = [A] extends [B] ? true : never;
// Does not compile where the description and the types part ways.
void (true satisfies Fits<Stage, ValueOf<typeof stageDescription>>);
void (true satisfies Fits<LessonDocument, ValueOf<typeof lessonDescription>>);

/** How a lesson's figures are written down. */
export const notationOf = ({ notation }: LessonDocument): Notation => notation ?? usualNotation;

/** The sheet of this id, if there is one. */
export function sheetOf(lesson: Pick<LessonDocument, 'sheets'>, id: string): Sheet | undefined {
  return lesson.sheets.find((sheet) => sheet.id === id);
}

/** The stage of this id in a sheet, if there is one. */
export function stageOf(sheet: Sheet, id: string): Stage | undefined {
  return sheet.stages.find((stage) => stage.id === id);
}

/** The task of this id in a sheet, if there is one. */
export function taskOf(sheet: Sheet, id: string): Task | undefined {
  return sheet.tasks.find((task) => task.id === id);
}
