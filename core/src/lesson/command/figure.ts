import { sheetId, tagged } from '../../describe/describe.js';
import { applyFigureCommand, touchesOfFigureCommand } from '../../figure/applyCommand.js';
import { figureCommandDescription, type FigureCommand } from '../../figure/command/commands.js';
import { existingSheet, withSheet, type LessonCommandMember } from './define.js';

const description = tagged('name', 'figure', { sheet: sheetId, command: figureCommandDescription });
export interface ChangeFigure {
  readonly name: 'figure';
  readonly sheet: string;
  readonly command: FigureCommand;
}

/** A change of a sheet's figure. */
export const figure: LessonCommandMember<ChangeFigure> = {
  description,
  apply: (lesson, command) => {
    const sheet = existingSheet(lesson, command.sheet);
    const applied = applyFigureCommand(sheet.figure, command.command);
    return {
      document: withSheet(lesson, { ...sheet, figure: applied.document }),
      inverse: { ...command, command: applied.inverse },
    };
  },
  touches: ({ sheet, command }) => touchesOfFigureCommand(command).map((path) => `${sheet}/figure/${path}`),
  sheet: ({ sheet }) => sheet,
};
