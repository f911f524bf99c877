import { list, optional, sheetId, tagged, whole } from '../../describe/describe.js';
import { figureDescription, type FigureDocument } from '../../figure/document/document.js';
import { index } from '../../figure/part/parts.js';
import { lessonLimits, stageDescription, type Stage } from '../lesson.js';
import { validateFigure } from '../../figure/document/validate.js';
import { validateStages } from '../validate.js';
import { existingSheet, withSheet, type LessonCommandMember } from './define.js';
import { laterStages, touchesOfLater, withLater } from './later.js';

const description = tagged('name', 'changeStages', {
  sheet: sheetId,
  at: index,
  remove: whole(0, lessonLimits.stages),
  insert: list(stageDescription, lessonLimits.stages),
  /** The state of the first stage, where another one is the first now. */
  figure: optional(figureDescription),
  later: laterStages,
});
export interface ChangeStages {
  readonly name: 'changeStages';
  readonly sheet: string;
  readonly at: number;
  readonly remove: number;
  readonly insert: readonly Stage[];
  readonly figure?: FigureDocument;
  readonly later?: readonly Stage[];
}

/** The row of a sheet's stages: some from a place on go, and others come in their stead. */
export const changeStages: LessonCommandMember<ChangeStages> = {
  description,
  apply: (lesson, command) => {
    const sheet = existingSheet(lesson, command.sheet);
    const at = Math.min(command.at, sheet.stages.length);
    const removed = sheet.stages.slice(at, at + command.remove);
    const spliced = sheet.stages.toSpliced(at, removed.length, ...command.insert);
    const { stages, before } = withLater(spliced, command.later);
    const isNew = new Set(command.insert.map(({ id }) => id));
    const changed = { ...sheet, stages, ...(command.figure ? { figure: command.figure } : {}) };
    validateStages(changed);
    if (command.figure) validateFigure(command.figure);
    return {
      document: withSheet(lesson, changed),
      inverse: {
        name: 'changeStages',
        sheet: sheet.id,
        at,
        remove: command.insert.length,
        insert: removed,
        ...(command.figure ? { figure: sheet.figure } : {}),
        // What was put in goes again, whatever it became.
        ...(before.later ? { later: before.later.filter(({ id }) => !isNew.has(id)) } : {}),
      },
    };
  },
  touches: ({ sheet, figure, later }) => [
    `${sheet}/stages/order`,
    ...(figure ? [`${sheet}/figure`] : []),
    ...touchesOfLater(sheet, later),
  ],
  sheet: ({ sheet }) => sheet,
};
