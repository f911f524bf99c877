import { sheetId, tagged, type ValueOf } from '../../describe/describe.js';
import { titleText } from '../lesson.js';
import { validateTitle } from '../validate.js';
import { existingSheet, withSheet, type LessonCommandMember } from './define.js';

const description = tagged('name', 'setSheetTitle', { sheet: sheetId, title: titleText });
export type SetSheetTitle = ValueOf<typeof description>;

/** The title of a sheet. */
export const setSheetTitle: LessonCommandMember<SetSheetTitle> = {
  description,
  apply: (lesson, command) => {
    validateTitle(command.title);
    const sheet = existingSheet(lesson, command.sheet);
    return {
      document: withSheet(lesson, { ...sheet, title: command.title }),
      inverse: { ...command, title: sheet.title },
    };
  },
  touches: ({ sheet }) => [`${sheet}/title`],
  sheet: ({ sheet }) => sheet,
};
