import { told } from '../told/told.js';
import { validateFigure } from '../figure/validate.js';
import { CommandError } from '../history/history.js';
import { countConditions } from './condition/conditions.js';
import { lessonLimits, type LessonDocument, type Sheet, type Task } from './lesson.js';
import { validateProse } from './prose/schema.js';

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
  validateTask(sheet.task);
}

/**
 * Groups of groups could multiply what a check has to judge, so all conditions of a task are counted together.
 * @throws CommandError where they are too many
 */
export function validateTask(task: Task | null): void {
  const count = task ? countConditions(task.conditions) : 0;
  if (count > lessonLimits.conditions) {
    throw new CommandError(told('tooManyConditions', { count, most: lessonLimits.conditions }));
  }
}

export function validateTitle(title: string): void {
  if (title.trim() === '') throw new CommandError(told('titleEmpty'));
  if (title.length > lessonLimits.titleLength) {
    throw new CommandError(told('titleTooLong', { most: lessonLimits.titleLength, count: title.length }));
  }
}
