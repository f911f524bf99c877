import { told } from '../../told/told.js';
import type { Field } from '../../describe/describe.js';
import { CommandError, type Applied } from '../../history/history.js';
import { sheetOf, stageOf, type LessonDocument, type Sheet, type Stage } from '../lesson.js';

/**
 * A member of the registry of lesson commands: everything about it that is no interface. What leads back from it is a
 * command of the same name, unless another type is given.
 */
export interface LessonCommandMember<Command, Back = Command> {
  /** The whole command, its name with it. */
  readonly description: Field;
  /**
   * Applies it, and finds the command that leads back exactly.
   * @throws CommandError with one sentence where it does not fit the lesson
   */
  readonly apply: (lesson: LessonDocument, command: Command) => Applied<LessonDocument, Back>;
  /** What it changes, as paths; see `CommandMember` of figures. */
  readonly touches: (command: Command) => readonly string[];
  /** The sheet that it changes and that should be in view when it is undone. */
  readonly sheet: (command: Command) => string | undefined;
}

/** @throws CommandError where the sheet is not there any more */
export function existingSheet(lesson: LessonDocument, id: string): Sheet {
  const sheet = sheetOf(lesson, id);
  if (!sheet) throw new CommandError(told('sheetGone'));
  return sheet;
}

/** @throws CommandError where the stage is not there any more */
export function existingStage(sheet: Sheet, id: string): Stage {
  const stage = stageOf(sheet, id);
  if (!stage) throw new CommandError(told('stageGone'));
  return stage;
}

export function withSheet(lesson: LessonDocument, changed: Sheet): LessonDocument {
  return { ...lesson, sheets: lesson.sheets.map((sheet) => (sheet.id === changed.id ? changed : sheet)) };
}
