import { sheetId, tagged } from '../../describe/describe.js';
import { proseDescription, type Prose } from '../prose/prose.js';
import { validateProse } from '../prose/schema.js';
import { existingSheet, withSheet, type LessonCommandMember } from './define.js';

const description = tagged('name', 'setProse', { sheet: sheetId, prose: proseDescription });
export interface SetProse {
  readonly name: 'setProse';
  readonly sheet: string;
  readonly prose: Prose;
}

/** The whole text of a sheet. What is typed comes as `editProse`. */
export const setProse: LessonCommandMember<SetProse> = {
  description,
  apply: (lesson, command) => {
    validateProse(command.prose);
    const sheet = existingSheet(lesson, command.sheet);
    return {
      document: withSheet(lesson, { ...sheet, prose: command.prose }),
      inverse: { ...command, prose: sheet.prose },
    };
  },
  touches: ({ sheet }) => [`${sheet}/prose`],
  sheet: ({ sheet }) => sheet,
};
