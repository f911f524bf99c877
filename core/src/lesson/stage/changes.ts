import { makesNeedless } from '../../figure/change/applyCommand.js';
import type { FigureCommand } from '../../figure/command/commands.js';
import { differenceOf } from '../../figure/change/difference.js';
import type { LessonCommand } from '../command/commands.js';
import type { Sheet, Stage } from '../lesson.js';
import { withFollowing, type LeadingCommand } from './lead.js';
import { stageStates } from './states.js';

const indexOf = (sheet: Sheet, id: string): number =>
  Math.max(
    0,
    sheet.stages.findIndex((stage) => stage.id === id),
  );

/** A change of the figure as a stage shows it; one that makes the stage's last change needless takes its place. */
export function changeAtStage(sheet: Sheet, stage: string, command: FigureCommand): LeadingCommand {
  const index = indexOf(sheet, stage);
  if (index === 0) return withFollowing(sheet, { name: 'figure', sheet: sheet.id, command });
  const { commands } = sheet.stages[index]!;
  const last = commands.at(-1);
  const remove = last && makesNeedless(last, command) ? 1 : 0;
  return withFollowing(sheet, {
    name: 'stageCommands',
    sheet: sheet.id,
    stage,
    at: commands.length - remove,
    remove,
    insert: [command],
  });
}

/** A new stage right after another. */
export function addStage(sheet: Sheet, after: string, stage: Stage): LessonCommand {
  const at = indexOf(sheet, after) + 1;
  return withFollowing(sheet, { name: 'changeStages', sheet: sheet.id, at, remove: 0, insert: [stage] });
}

/**
 * A stage goes.
 * @param how whether what it does is done in the next stage instead, so that later ones stay as they are, or not at all
 * @returns nothing where it is the only one
 */
export function removeStage(
  sheet: Sheet,
  id: string,
  how: 'keepChanges' | 'dropChanges',
): LessonCommand | undefined {
  const { stages } = sheet;
  const index = indexOf(sheet, id);
  const next = stages[index + 1];
  if (stages.length === 1) return undefined;
  if (index === 0) {
    // The next one is what the others build on now.
    const { kept: _, ...rest } = next!;
    return withFollowing(sheet, {
      name: 'changeStages',
      sheet: sheet.id,
      at: 0,
      remove: 2,
      insert: [{ ...rest, commands: [] }],
      figure: stageStates(sheet)[1]!.figure,
    });
  }
  const joins = how === 'keepChanges' && next !== undefined;
  return withFollowing(sheet, {
    name: 'changeStages',
    sheet: sheet.id,
    at: index,
    remove: joins ? 2 : 1,
    insert: joins ? [{ ...next, commands: [...stages[index]!.commands, ...next.commands] }] : [],
  });
}

/** A stage and the one after it become one, with what both did and the caption of the later. */
export function mergeWithNext(sheet: Sheet, id: string): LessonCommand | undefined {
  return sheet.stages[indexOf(sheet, id) + 1] && removeStage(sheet, id, 'keepChanges');
}

/**
 * A stage becomes two: the first changes of it stay in the one, and the others go to the new one after it.
 * @param at how many changes stay
 * @param made the new stage, which gets the others
 */
export function splitStage(
  sheet: Sheet,
  id: string,
  at: number,
  made: Omit<Stage, 'commands'>,
): LessonCommand | undefined {
  const index = indexOf(sheet, id);
  const stage = sheet.stages[index]!;
  if (at < 1 || at >= stage.commands.length) return undefined;
  const { kept: _, ...rest } = stage;
  return withFollowing(sheet, {
    name: 'changeStages',
    sheet: sheet.id,
    at: index,
    remove: 1,
    // The caption says what the whole came to, so it stays with the later one.
    insert: [
      { ...rest, id: stage.id, caption: made.caption, commands: stage.commands.slice(0, at) },
      { id: made.id, caption: stage.caption, commands: stage.commands.slice(at) },
    ],
  });
}

/** A stage goes to another place in the row; the first one, which the others build on, stays the first. */
export function moveStage(sheet: Sheet, id: string, to: number): LessonCommand | undefined {
  const from = indexOf(sheet, id);
  if (from === 0 || to < 1 || to === from || to >= sheet.stages.length) return undefined;
  const [low, high] = [Math.min(from, to), Math.max(from, to)];
  const row = sheet.stages.slice(low, high + 1);
  const [moved] = row.splice(from - low, 1);
  row.splice(to - low, 0, moved!);
  return withFollowing(sheet, {
    name: 'changeStages',
    sheet: sheet.id,
    at: low,
    remove: row.length,
    insert: row,
  });
}

/** One of the changes that a stage is made of goes; what follows is done without it. */
export function leaveOut(sheet: Sheet, id: string, command: number): LessonCommand {
  return withFollowing(sheet, {
    name: 'stageCommands',
    sheet: sheet.id,
    stage: id,
    at: command,
    remove: 1,
    insert: [],
  });
}

/** A stage that does not follow any more is taken as it was kept: its changes are the difference from the stage before. */
export function takeAsKept(sheet: Sheet, id: string): LessonCommand | undefined {
  const index = indexOf(sheet, id);
  const states = stageStates(sheet);
  if (!states[index]?.broken) return undefined;
  return withFollowing(sheet, {
    name: 'stageCommands',
    sheet: sheet.id,
    stage: id,
    at: 0,
    remove: sheet.stages[index]!.commands.length,
    insert: differenceOf(states[index - 1]!.figure, states[index]!.figure),
  });
}
