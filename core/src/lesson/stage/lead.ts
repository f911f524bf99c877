import { changeStages, type ChangeStages } from '../command/changeStages.js';
import type { LessonCommandMember } from '../command/define.js';
import { figure, type ChangeFigure } from '../command/figure.js';
import { stageCommands, type StageCommands } from '../command/stageCommands.js';
import { lessonVersion, type Sheet } from '../lesson.js';
import { followingStages } from './follow.js';

/** A lesson command after which later stages may be others. */
export type LeadingCommand = ChangeFigure | StageCommands | ChangeStages;

/** They are named one by one, so that a reader’s page that varies a sheet does without all others. */
const leading = { figure, stageCommands, changeStages };

/**
 * A sheet with such a command applied to it.
 * @throws CommandError where it does not fit
 */
export function sheetAfter(sheet: Sheet, command: LeadingCommand): Sheet {
  const lesson = { version: lessonVersion, title: sheet.title, sheets: [sheet] } as const;
  const member = leading[command.name] as LessonCommandMember<LeadingCommand>;
  return member.apply(lesson, command).document.sheets[0]!;
}

/**
 * The command with what it makes of the stages that follow.
 * @throws CommandError where it does not fit the sheet
 */
export function withFollowing(sheet: Sheet, command: LeadingCommand): LeadingCommand {
  const later = followingStages(sheet, sheetAfter(sheet, command));
  return later.length > 0 ? { ...command, later } : command;
}
