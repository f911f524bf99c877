import { told } from '../../told/told.js';
import { sheetId, tagged, type ValueOf } from '../../describe/describe.js';
import { CommandError } from '../../history/history.js';
import { existingSheet, type LessonCommandMember } from './define.js';

const description = tagged('name', 'removeSheet', { sheet: sheetId });
export type RemoveSheet = ValueOf<typeof description>;

/** A sheet goes, with its text, its figure and its task. */
export const removeSheet: LessonCommandMember<RemoveSheet> = {
  description,
  apply: (lesson, command) => {
    const sheet = existingSheet(lesson, command.sheet);
    if (lesson.sheets.length === 1) throw new CommandError(told('oneSheetAtLeast'));
    return {
      document: { ...lesson, sheets: lesson.sheets.filter((other) => other !== sheet) },
      inverse: { name: 'addSheet', sheet, at: lesson.sheets.indexOf(sheet) },
    };
  },
  touches: ({ sheet }) => [sheet],
  sheet: ({ sheet }) => sheet,
};
