import { list, sheetId, tagged, whole } from '../../describe/describe.js';
import { figureCommandDescription, type FigureCommand } from '../../figure/command/commands.js';
import { touchesOfFigureCommand } from '../../figure/change/applyCommand.js';
import { index } from '../../figure/part/parts.js';
import { lessonLimits, type Stage } from '../lesson.js';
import { partId } from '../task/define.js';
import { validateStages } from '../validate.js';
import { existingSheet, existingStage, withSheet, type LessonCommandMember } from './define.js';
import { laterStages, touchesOfLater, withLater } from './later.js';

const description = tagged('name', 'stageCommands', {
  sheet: sheetId,
  stage: partId,
  at: index,
  remove: whole(0, lessonLimits.stageCommands),
  insert: list(figureCommandDescription, lessonLimits.stageCommands),
  later: laterStages,
});
export interface StageCommands {
  readonly name: 'stageCommands';
  readonly sheet: string;
  readonly stage: string;
  readonly at: number;
  readonly remove: number;
  readonly insert: readonly FigureCommand[];
  readonly later?: readonly Stage[];
}

/** What is done between the stage before and this one: some of it goes, and other commands come in its stead. */
export const stageCommands: LessonCommandMember<StageCommands> = {
  description,
  apply: (lesson, command) => {
    const sheet = existingSheet(lesson, command.sheet);
    const stage = existingStage(sheet, command.stage);
    const at = Math.min(command.at, stage.commands.length);
    const removed = stage.commands.slice(at, at + command.remove);
    const commands = stage.commands.toSpliced(at, removed.length, ...command.insert);
    const { stages, before } = withLater(
      sheet.stages.map((other) => (other === stage ? { ...stage, commands } : other)),
      command.later,
    );
    const changed = { ...sheet, stages };
    validateStages(changed);
    const back = { name: 'stageCommands', sheet: sheet.id, stage: stage.id } as const;
    // Where the stage itself became another as a whole, it goes back as a whole.
    const isWhole = before.later?.some(({ id }) => id === stage.id) ?? false;
    const others = before.later?.map((other) => (other.id === stage.id ? stage : other));
    return {
      document: withSheet(lesson, changed),
      inverse: isWhole
        ? { ...back, at: 0, remove: 0, insert: [], later: others! }
        : { ...back, at, remove: command.insert.length, insert: removed, ...before },
    };
  },
  // Two changes of one stage meet only where they change the same of the figure: both can stand in its list.
  touches: ({ sheet, stage, remove, insert, later }) => [
    ...(remove > 0 || insert.length === 0 ? [`${sheet}/stages/${stage}`] : []),
    ...insert.flatMap(touchesOfFigureCommand).map((path) => `${sheet}/stages/${stage}/figure/${path}`),
    ...touchesOfLater(sheet, later),
  ],
  sheet: ({ sheet }) => sheet,
};
