import { told } from '../../told/told.js';
import { sheetId, tagged, type ValueOf } from '../../describe/describe.js';
import { index } from '../../figure/part/parts.js';
import { CommandError } from '../../history/history.js';
import { sheetDescription, sheetOf, type Sheet } from '../lesson.js';
import { validateSheet, validateSheetCount } from '../validate.js';
import { existingSheet, type LessonCommandMember } from './define.js';

const adding = tagged('name', 'addSheet', { sheet: sheetDescription, at: index });
export interface AddSheet {
  readonly name: 'addSheet';
  readonly sheet: Sheet;
  readonly at: number;
}

const removing = tagged('name', 'removeSheet', { sheet: sheetId });
export type RemoveSheet = ValueOf<typeof removing>;

/** A new sheet, at a place in the row. */
export const addSheet: LessonCommandMember<AddSheet, RemoveSheet> = {
  description: adding,
  apply: (lesson, { sheet, at }) => {
    if (sheetOf(lesson, sheet.id)) throw new CommandError(told('sameSheetId', { id: sheet.id }));
    const document = { ...lesson, sheets: lesson.sheets.toSpliced(at, 0, sheet) };
    validateSheetCount(document);
    validateSheet(sheet);
    return { document, inverse: { name: 'removeSheet', sheet: sheet.id } };
  },
  touches: ({ sheet }) => [sheet.id],
  sheet: ({ sheet }) => sheet.id,
};

/** A sheet goes, with its text, its figure and its task. */
export const removeSheet: LessonCommandMember<RemoveSheet, AddSheet> = {
  description: removing,
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
