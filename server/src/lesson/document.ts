import { told } from '@bogen/core/lesson';
import {
  applyLessonCommand,
  CommandError,
  lessonCommandVersion,
  migrateLesson,
  validateLesson,
  migrateLessonCommand,
  sizeOfLessonCommand,
  type LessonCommand,
  type LessonDocument,
} from '@bogen/core/lesson';
import { lessonSchema } from '@bogen/contract';
import { firstIssue } from '../http/route.js';
import type { StreamKind } from '../stream/stream.js';

/**
 * A lesson that came from outside: brought to the current version, then checked, shape and sense.
 * @throws CommandError with one sentence
 */
export function readForeignLesson(foreign: unknown): LessonDocument {
  const parsed = lessonSchema.safeParse(migrateLesson(foreign));
  if (!parsed.success) throw new CommandError(told('notAWholeLesson', { issue: firstIssue(parsed.error) }));
  validateLesson(parsed.data);
  return parsed.data;
}

export const lessonStream: StreamKind<LessonDocument, LessonCommand> = {
  apply: applyLessonCommand,
  read: migrateLesson,
  version: lessonCommandVersion,
  readCommand: migrateLessonCommand,
  size: sizeOfLessonCommand,
};
