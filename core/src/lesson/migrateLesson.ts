import { figureVersion, type FigureDocument } from '../figure/document/document.js';
import { migrateFigure, migrateFigureCommand } from '../figure/change/migrateFigure.js';
import { migrate, type Migrations } from '../migration/migrate.js';
import type { LessonCommand } from './command/commands.js';
import { firstStageId, lessonVersion, type LessonDocument, type Stage } from './lesson.js';

type Stored = Readonly<Record<string, unknown>>;

/** The task that a sheet had when it could have one alone. */
const onlyTaskId = 'task';

/** One entry for every version of a lesson that was ever stored, leading to the next. */
const migrations: Migrations = {
  // Sheets got stages, and more than one task.
  1: (lesson) => ({
    ...lesson,
    ...(Array.isArray(lesson['sheets']) ? { sheets: lesson['sheets'].map(withStages) } : {}),
  }),
};

function withStages(sheet: unknown): unknown {
  if (typeof sheet !== 'object' || sheet === null) return sheet;
  const { task, ...rest } = sheet as Stored;
  return {
    ...rest,
    stages: [{ id: firstStageId, caption: '', commands: [] }],
    tasks: task ? [asShapeTask(task as Stored)] : [],
  };
}

function asShapeTask(task: Stored): Stored {
  const hints = Array.isArray(task['hints']) ? task['hints'].map((text: unknown) => ({ text })) : [];
  return { ...task, kind: 'shape', id: onlyTaskId, stage: firstStageId, hints };
}

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
    ...(Array.isArray(sheets) ? { sheets: sheets.map(withFigures) } : {}),
  } as unknown as LessonDocument;
}

function withFigures(sheet: unknown): unknown {
  if (typeof sheet !== 'object' || sheet === null || !('figure' in sheet)) return sheet;
  const { version } = sheet.figure as { version?: number };
  const figure = migrateFigure(sheet.figure);
  const { stages } = sheet as { stages?: unknown };
  if (version === figureVersion || !Array.isArray(stages)) return { ...sheet, figure };
  return { ...sheet, figure, stages: stages.map((stage: Stage) => withFigureCommands(stage, version ?? 1)) };
}

/** A stage's changes were given on the version that the figure had. */
function withFigureCommands(stage: Stage, version: number): Stage {
  return {
    ...stage,
    commands: stage.commands.map((command) => migrateFigureCommand(command, version)),
    ...(stage.kept ? { kept: migrateFigure(stage.kept) as unknown as FigureDocument } : {}),
  };
}

/**
 * The version of lesson commands as logs and browsers keep them. Up to the second it was the figure's; with the third
 * sheets have stages and tasks; the fourth brought the figure's third.
 */
export const lessonCommandVersion = 4;

/** Brings a stored lesson command to the current version: the figures, items and sheets in it. */
export function migrateLessonCommand(stored: LessonCommand, version: number): LessonCommand {
  if (version >= lessonCommandVersion) return stored;
  if (stored.name === 'figure') {
    return { ...stored, command: migrateFigureCommand(stored.command, Math.min(version, 2)) };
  }
  if (stored.name === 'addSheet') {
    const sheet = version < 3 ? withStages(stored.sheet) : stored.sheet;
    return { ...stored, sheet: withFigures(sheet) } as unknown as LessonCommand;
  }
  const { name, sheet, task } = stored as unknown as { name: string; sheet: string; task: Stored | null };
  if (name !== 'setTask') return stored;
  // There was one task at most, and it was set as a whole.
  return {
    name: 'changeTasks',
    sheet,
    at: 0,
    remove: 1,
    insert: task ? [asShapeTask(task)] : [],
  } as unknown as LessonCommand;
}
