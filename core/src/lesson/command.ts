import type { Task } from '../check/condition.js';
import { applyFigureCommand } from '../figure/applyCommand.js';
import type { FigureCommand } from '../figure/command.js';
import { validateFigure } from '../figure/validate.js';
import { CommandError, type Applied } from '../history/history.js';
import { lessonLimits, sheetOf, type LessonDocument, type Prose, type Sheet } from './lesson.js';

/** Everything that changes a lesson. Changes to a sheet's figure are wrapped figure commands. */
export type LessonCommand =
  | { readonly name: 'setTitle'; readonly title: string }
  | { readonly name: 'addSheet'; readonly sheet: Sheet; readonly at: number }
  | { readonly name: 'removeSheet'; readonly sheet: string }
  | { readonly name: 'moveSheet'; readonly sheet: string; readonly to: number }
  | { readonly name: 'setSheetTitle'; readonly sheet: string; readonly title: string }
  | { readonly name: 'setProse'; readonly sheet: string; readonly prose: Prose }
  | { readonly name: 'setTask'; readonly sheet: string; readonly task: Task | null }
  | { readonly name: 'figure'; readonly sheet: string; readonly command: FigureCommand };

/**
 * Applies one command to a lesson; sheets that it does not touch stay the same objects.
 * @returns the new lesson and the command that leads back, exactly
 * @throws CommandError with one sentence where the command does not fit
 */
export function applyLessonCommand(
  lesson: LessonDocument,
  command: LessonCommand,
): Applied<LessonDocument, LessonCommand> {
  switch (command.name) {
    case 'setTitle':
      validateTitle(command.title);
      return { document: { ...lesson, title: command.title }, inverse: { ...command, title: lesson.title } };
    case 'addSheet': {
      const sheets = lesson.sheets.slice();
      sheets.splice(command.at, 0, command.sheet);
      const document = { ...lesson, sheets };
      validateLesson(document);
      return { document, inverse: { name: 'removeSheet', sheet: command.sheet.id } };
    }
    case 'removeSheet': {
      const sheet = existingSheet(lesson, command.sheet);
      if (lesson.sheets.length === 1) throw new CommandError('A lesson keeps at least one sheet.');
      return {
        document: { ...lesson, sheets: lesson.sheets.filter((other) => other !== sheet) },
        inverse: { name: 'addSheet', sheet, at: lesson.sheets.indexOf(sheet) },
      };
    }
    case 'moveSheet': {
      const sheet = existingSheet(lesson, command.sheet);
      const from = lesson.sheets.indexOf(sheet);
      const sheets = lesson.sheets.filter((other) => other !== sheet);
      sheets.splice(command.to, 0, sheet);
      return { document: { ...lesson, sheets }, inverse: { ...command, to: from } };
    }
    case 'setSheetTitle': {
      validateTitle(command.title);
      const sheet = existingSheet(lesson, command.sheet);
      return {
        document: withSheet(lesson, { ...sheet, title: command.title }),
        inverse: { ...command, title: sheet.title },
      };
    }
    case 'setProse': {
      const sheet = existingSheet(lesson, command.sheet);
      return {
        document: withSheet(lesson, { ...sheet, prose: command.prose }),
        inverse: { ...command, prose: sheet.prose },
      };
    }
    case 'setTask': {
      const sheet = existingSheet(lesson, command.sheet);
      return {
        document: withSheet(lesson, { ...sheet, task: command.task }),
        inverse: { ...command, task: sheet.task },
      };
    }
    case 'figure': {
      const sheet = existingSheet(lesson, command.sheet);
      const applied = applyFigureCommand(sheet.figure, command.command);
      return {
        document: withSheet(lesson, { ...sheet, figure: applied.document }),
        inverse: { ...command, command: applied.inverse },
      };
    }
  }
}

/**
 * Checks what a schema of shapes alone can't see: at least one sheet, unique ids, and every figure whole.
 * @throws CommandError with one sentence
 */
export function validateLesson(lesson: LessonDocument): void {
  validateTitle(lesson.title);
  if (lesson.sheets.length === 0) throw new CommandError('A lesson keeps at least one sheet.');
  if (lesson.sheets.length > lessonLimits.sheets) {
    throw new CommandError(
      `The lesson has ${lesson.sheets.length} sheets; at most ${lessonLimits.sheets} are allowed.`,
    );
  }
  const seen = new Set<string>();
  for (const sheet of lesson.sheets) {
    if (seen.has(sheet.id)) throw new CommandError(`Two sheets have the id ${sheet.id}; ids must differ.`);
    seen.add(sheet.id);
    validateTitle(sheet.title);
    validateFigure(sheet.figure);
  }
}

function validateTitle(title: string): void {
  if (title.trim() === '') throw new CommandError('A title must not be empty.');
  if (title.length > lessonLimits.titleLength) {
    throw new CommandError(
      `A title may have ${lessonLimits.titleLength} characters; this one has ${title.length}.`,
    );
  }
}

function existingSheet(lesson: LessonDocument, id: string): Sheet {
  const sheet = sheetOf(lesson, id);
  if (!sheet) throw new CommandError('This sheet is no longer in the lesson.');
  return sheet;
}

function withSheet(lesson: LessonDocument, changed: Sheet): LessonDocument {
  return { ...lesson, sheets: lesson.sheets.map((sheet) => (sheet.id === changed.id ? changed : sheet)) };
}
