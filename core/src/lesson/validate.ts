import { told } from '../told/told.js';
import { validateFigure } from '../figure/document/validate.js';
import { CommandError } from '../history/history.js';
import { lessonLimits, type LessonDocument, type Sheet } from './lesson.js';
import { validateProse } from './prose/schema.js';
import { validateTask } from './task/tasks.js';

/**
 * Checks what a description of shapes alone can't see: at least one sheet, unique ids, prose that can be shown,
 * and every figure whole.
 * @throws CommandError with one sentence
 */
export function validateLesson(lesson: LessonDocument): void {
  validateTitle(lesson.title);
  validateSheetCount(lesson);
  const seen = new Set<string>();
  for (const sheet of lesson.sheets) {
    if (seen.has(sheet.id)) throw new CommandError(told('sameSheetId', { id: sheet.id }));
    seen.add(sheet.id);
    validateSheet(sheet);
  }
}

/** @throws CommandError where a lesson has no sheet, or too many */
export function validateSheetCount({ sheets }: LessonDocument): void {
  if (sheets.length === 0) throw new CommandError(told('oneSheetAtLeast'));
  if (sheets.length > lessonLimits.sheets) {
    throw new CommandError(told('tooManySheets', { count: sheets.length, most: lessonLimits.sheets }));
  }
}

export function validateSheet(sheet: Sheet): void {
  validateTitle(sheet.title);
  validateProse(sheet.prose);
  validateFigure(sheet.figure);
  validateStages(sheet);
  validateTasks(sheet);
}

/**
 * Checks the row of stages. Whether the commands of each fit is not asked: where they do not, the stage keeps the state
 * that it had.
 * @throws CommandError where there is none, there are too many, two have one id, or the first is no beginning
 */
export function validateStages({ stages }: Sheet): void {
  if (stages.length === 0) throw new CommandError(told('oneStageAtLeast'));
  if (stages.length > lessonLimits.stages) {
    throw new CommandError(told('tooManyStages', { count: stages.length, most: lessonLimits.stages }));
  }
  if (new Set(stages.map(({ id }) => id)).size < stages.length)
    throw new CommandError(told('samePartId', { id: twice(stages) }));
  if (stages[0]!.commands.length > 0) throw new CommandError(told('firstStageIsFigure'));
  for (const stage of stages) {
    if (stage.commands.length > lessonLimits.stageCommands) {
      throw new CommandError(
        told('tooManyStageCommands', { count: stage.commands.length, most: lessonLimits.stageCommands }),
      );
    }
    if (stage.kept) validateFigure(stage.kept);
  }
}

/** @throws CommandError where there are too many, or two have one id */
export function validateTasks({ tasks }: Sheet): void {
  if (tasks.length > lessonLimits.tasks)
    throw new CommandError(told('tooManyTasks', { count: tasks.length, most: lessonLimits.tasks }));
  if (new Set(tasks.map(({ id }) => id)).size < tasks.length)
    throw new CommandError(told('samePartId', { id: twice(tasks) }));
  tasks.forEach(validateTask);
}

/** The first id that stands twice in a row. */
const twice = (parts: readonly { readonly id: string }[]): string =>
  parts.find(({ id }, index) => parts.findIndex((other) => other.id === id) < index)?.id ?? '';

export function validateTitle(title: string): void {
  if (title.trim() === '') throw new CommandError(told('titleEmpty'));
  if (title.length > lessonLimits.titleLength) {
    throw new CommandError(told('titleTooLong', { most: lessonLimits.titleLength, count: title.length }));
  }
}
