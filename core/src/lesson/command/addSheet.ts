import { told } from '../../told/told.js';
import { tagged } from '../../describe/describe.js';
import { index } from '../../figure/parts.js';
import { CommandError } from '../../history/history.js';
import { sheetDescription, sheetOf, type Sheet } from '../lesson.js';
import { validateSheet, validateSheetCount } from '../validate.js';
import type { LessonCommandMember } from './define.js';

const description = tagged('name', 'addSheet', { sheet: sheetDescription, at: index });
export interface AddSheet {
  readonly name: 'addSheet';
  readonly sheet: Sheet;
  readonly at: number;
}

/** A new sheet, at a place in the row. */
export const addSheet: LessonCommandMember<AddSheet> = {
  description,
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
