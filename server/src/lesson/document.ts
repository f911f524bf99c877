import { told } from '@bogen/core/lesson';
import {
  applyLessonCommand,
  CommandError,
  lessonCommandVersion,
  migrateLesson,
  validateLesson,
  validateSheet,
  migrateLessonCommand,
  sizeOfLessonCommand,
  type LessonCommand,
  type LessonDocument,
} from '@bogen/core/lesson';
import { lessonSchema, toldByServer } from '@bogen/contract';
import { firstIssue } from '../http/route.js';
import type { Runner } from '../pool/pool.js';
import { manyCommands } from '../stream/stream.js';
import type { StreamKind } from '../stream/kind.js';

/**
 * A lesson that came from outside: brought to the current version, then checked, shape and sense.
 * @throws CommandError with one sentence
 */
export function readForeignLesson(foreign: unknown): LessonDocument {
  const parsed = lessonSchema.safeParse(migrateLesson(foreign));
  if (!parsed.success) throw new CommandError(told('notAWholeLesson', { issue: firstIssue(parsed.error) }));
  refuseBrokenSheets(parsed.data);
  validateLesson(parsed.data);
  return parsed.data;
}

/** Says of which sheet something is wrong. */
function refuseBrokenSheets({ sheets }: LessonDocument): void {
  for (const [index, sheet] of sheets.entries()) {
    try {
      validateSheet(sheet);
    } catch (error) {
      if (!(error instanceof CommandError)) throw error;
      const told = toldByServer('lessonFileSheet', {
        number: index + 1,
        title: sheet.title,
        why: error.told,
      });
      throw new CommandError(told);
    }
  }
}

export const lessonStream: StreamKind<LessonDocument, LessonCommand> = {
  apply: applyLessonCommand,
  read: migrateLesson,
  version: lessonCommandVersion,
  readCommand: migrateLessonCommand,
  size: sizeOfLessonCommand,
};

/** A draft that somebody changes. */
export const draftStream = (pool: Runner): StreamKind<LessonDocument, LessonCommand> => ({
  ...lessonStream,
  elsewhere: {
    takesLong: (command) => sizeOfLessonCommand(command) >= manyCommands,
    apply: (document, command) => pool.run('changeLesson', document, command),
  },
});
