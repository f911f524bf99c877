import { migrateFigure, migrateFigureCommand } from '../figure/migrateFigure.js';
import { migrate, type Migrations } from '../migration/migrate.js';
import type { LessonCommand } from './command/commands.js';
import { lessonVersion, type LessonDocument } from './lesson.js';

/** One entry for every version of a lesson that was ever stored, leading to the next. */
const migrations: Migrations = {};

/**
 * Brings a stored lesson, with its figures, to the current version. Its shape and sense are checked afterwards
 * where it comes from outside.
 * @throws CommandError where it can't be brought here
 */
export function migrateLesson(stored: unknown): LessonDocument {
  const lesson = migrate(stored, lessonVersion, migrations);
  const { sheets } = lesson;
  return {
    ...lesson,
    ...(Array.isArray(sheets) ? { sheets: sheets.map(withFigure) } : {}),
  } as unknown as LessonDocument;
}

function withFigure(sheet: unknown): unknown {
  return typeof sheet === 'object' && sheet !== null && 'figure' in sheet
    ? { ...sheet, figure: migrateFigure(sheet.figure) }
    : sheet;
}

/** Brings a stored lesson command to the current version: the figures and items in it. */
export function migrateLessonCommand(stored: LessonCommand, figureVersion: number): LessonCommand {
  if (stored.name === 'figure')
    return { ...stored, command: migrateFigureCommand(stored.command, figureVersion) };
  return stored.name === 'addSheet'
    ? ({ ...stored, sheet: withFigure(stored.sheet) } as unknown as LessonCommand)
    : stored;
}
