import { validateFigure } from '../figure/validate.js';
import { CommandError } from '../history/history.js';
import { lessonLimits, type LessonDocument, type Sheet } from './lesson.js';
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
    if (seen.has(sheet.id)) throw new CommandError(`Two sheets have the id ${sheet.id}; ids must differ.`);
    seen.add(sheet.id);
    validateSheet(sheet);
  }
}

/** @throws CommandError where a lesson has no sheet, or too many */
export function validateSheetCount({ sheets }: LessonDocument): void {
  if (sheets.length === 0) throw new CommandError('A lesson keeps at least one sheet.');
  if (sheets.length > lessonLimits.sheets) {
    throw new CommandError(
      `The lesson has ${sheets.length} sheets; at most ${lessonLimits.sheets} are allowed.`,
    );
  }
}

export function validateSheet(sheet: Sheet): void {
  validateTitle(sheet.title);
  validateProse(sheet.prose);
  validateFigure(sheet.figure);
}

export function validateTitle(title: string): void {
  if (title.trim() === '') throw new CommandError('A title must not be empty.');
  if (title.length > lessonLimits.titleLength) {
    throw new CommandError(
      `A title may have ${lessonLimits.titleLength} characters; this one has ${title.length}.`,
    );
  }
}
