import { sheetId, tagged } from '../../describe/describe.js';
import { applyFigureCommand, touchesOfFigureCommand } from '../../figure/change/applyCommand.js';
import { figureCommandDescription, type FigureCommand } from '../../figure/command/commands.js';
import type { Stage } from '../lesson.js';
import { existingSheet, withSheet, type LessonCommandMember } from './define.js';
import { laterStages, touchesOfLater, withLater } from './later.js';

const description = tagged('name', 'figure', {
  sheet: sheetId,
  command: figureCommandDescription,
  later: laterStages,
});
export interface ChangeFigure {
  readonly name: 'figure';
  readonly sheet: string;
  readonly command: FigureCommand;
  readonly later?: readonly Stage[];
}

/** A change of a sheet's figure as its first stage shows it. */
export const figure: LessonCommandMember<ChangeFigure> = {
  description,
  apply: (lesson, command) => {
    const sheet = existingSheet(lesson, command.sheet);
    const applied = applyFigureCommand(sheet.figure, command.command);
    const { stages, before } = withLater(sheet.stages, command.later);
    return {
      document: withSheet(lesson, { ...sheet, stages, figure: applied.document }),
      inverse: { name: 'figure', sheet: sheet.id, command: applied.inverse, ...before },
    };
  },
  touches: ({ sheet, command, later }) => [
    ...touchesOfFigureCommand(command).map((path) => `${sheet}/figure/${path}`),
    ...touchesOfLater(sheet, later),
  ],
  sheet: ({ sheet }) => sheet,
};
