import { list, sheetId, tagged, type ValueOf } from '../../describe/describe.js';
import { proseStepDescription } from '../prose/prose.js';
import { editedProse } from '../prose/schema.js';
import { existingSheet, withSheet, type LessonCommandMember } from './define.js';

const description = tagged('name', 'editProse', {
  sheet: sheetId,
  steps: list(proseStepDescription, 500, 1),
});
export type EditProse = ValueOf<typeof description>;

/** What was typed in the text of a sheet, as the editor's own small steps. */
export const editProse: LessonCommandMember<EditProse> = {
  description,
  apply: (lesson, command) => {
    const sheet = existingSheet(lesson, command.sheet);
    const { prose, inverse } = editedProse(sheet.prose, command.steps);
    return {
      document: withSheet(lesson, { ...sheet, prose }),
      inverse: { ...command, steps: inverse },
    };
  },
  touches: ({ sheet }) => [`${sheet}/prose`],
  sheet: ({ sheet }) => sheet,
};
