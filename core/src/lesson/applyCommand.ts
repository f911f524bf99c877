import { singleCommands } from '../figure/command/commands.js';
import type { Applied } from '../history/history.js';
import { lessonCommands, type LessonCommand } from './command/commands.js';
import type { LessonCommandMember } from './command/define.js';
import type { LessonDocument } from './lesson.js';

/** The member of a command, taken for one that fits it. */
function memberOf(command: LessonCommand): LessonCommandMember<LessonCommand> {
  return lessonCommands[command.name] as unknown as LessonCommandMember<LessonCommand>;
}

/**
 * Applies one command to a lesson; sheets that it does not touch stay the same objects.
 * @returns the new lesson and the command that leads back, exactly
 * @throws CommandError with one sentence where the command does not fit
 */
export function applyLessonCommand(
  lesson: LessonDocument,
  command: LessonCommand,
): Applied<LessonDocument, LessonCommand> {
  return memberOf(command).apply(lesson, command);
}

/** What a command changes, as paths; `pathsMeet` tells whether two lead to the same. */
export function touchesOfLessonCommand(command: LessonCommand): readonly string[] {
  return memberOf(command).touches(command);
}

/** The sheet that a command changes, if it changes one. */
export function sheetOfCommand(command: LessonCommand): string | undefined {
  return memberOf(command).sheet(command);
}

/** How many changes of a figure are in a command; one where it is none. */
export function sizeOfLessonCommand(command: LessonCommand): number {
  if (command.name === 'figure') return singleCommands(command.command).length;
  if (command.name !== 'stageCommands') return 1;
  return Math.max(
    1,
    command.insert.reduce((sum, one) => sum + singleCommands(one).length, 0),
  );
}
