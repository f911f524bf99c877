import { sheetId, tagged, type ValueOf } from '../../describe/describe.js';
import { index } from '../../figure/part/parts.js';
import { existingSheet, type LessonCommandMember } from './define.js';

const description = tagged('name', 'moveSheet', { sheet: sheetId, to: index });
export type MoveSheet = ValueOf<typeof description>;

/** The place of a sheet in the row. */
export const moveSheet: LessonCommandMember<MoveSheet> = {
  description,
  apply: (lesson, command) => {
    const sheet = existingSheet(lesson, command.sheet);
    const from = lesson.sheets.indexOf(sheet);
    const others = lesson.sheets.filter((other) => other !== sheet);
    return {
      document: { ...lesson, sheets: others.toSpliced(command.to, 0, sheet) },
      inverse: { ...command, to: from },
    };
  },
  touches: ({ sheet }) => [`${sheet}/order`],
  sheet: ({ sheet }) => sheet,
};
