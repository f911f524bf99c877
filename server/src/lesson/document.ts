import {
  applyLessonCommand,
  CommandError,
  lessonVersion,
  migrate,
  migrateFigure,
  validateLesson,
  type LessonCommand,
  type LessonDocument,
} from '@bogen/core';
import { lessonSchema } from '@bogen/contract';
import { firstIssue } from '../http/route.js';
import type { StreamKind } from '../stream/stream.js';

/** One entry for every version of a lesson that was ever stored, leading to the next. */
const migrations = {};

/** A stored lesson, whose shape was checked when it came in, at the current version. */
export function readStoredLesson(stored: unknown): LessonDocument {
  const lesson = migrate(stored, lessonVersion, migrations, 'lesson');
  const sheets = (lesson['sheets'] as LessonDocument['sheets']).map((sheet) => ({
    ...sheet,
    figure: migrateFigure(sheet.figure),
  }));
  return { ...lesson, sheets } as unknown as LessonDocument;
}

/**
 * A lesson that came from outside: brought to the current version, then checked, shape and sense.
 * @throws CommandError with one sentence
 */
export function readForeignLesson(foreign: unknown): LessonDocument {
  const lesson = migrate(foreign, lessonVersion, migrations, 'lesson');
  const sheets = Array.isArray(lesson['sheets'])
    ? lesson['sheets'].map((sheet: unknown) =>
        typeof sheet === 'object' && sheet !== null && 'figure' in sheet
          ? { ...sheet, figure: migrateFigure(sheet.figure) }
          : sheet,
      )
    : lesson['sheets'];
  const parsed = lessonSchema.safeParse({ ...lesson, sheets });
  if (!parsed.success) throw new CommandError(`This is not a whole lesson: ${firstIssue(parsed.error)}.`);
  validateLesson(parsed.data);
  return parsed.data;
}

export const lessonStream: StreamKind<LessonDocument, LessonCommand> = {
  apply: applyLessonCommand,
  read: readStoredLesson,
};
