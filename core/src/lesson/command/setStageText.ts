import { optional, sheetId, tagged, type ValueOf } from '../../describe/describe.js';
import { captionText, notesText, type Stage } from '../lesson.js';
import { partId } from '../task/define.js';
import { existingSheet, existingStage, withSheet, type LessonCommandMember } from './define.js';

const description = tagged('name', 'setStageText', {
  sheet: sheetId,
  stage: partId,
  caption: optional(captionText),
  /** Empty where there are to be none. */
  notes: optional(notesText),
});
export type SetStageText = ValueOf<typeof description>;

/** The caption of a stage, and what the instructor says to it. */
export const setStageText: LessonCommandMember<SetStageText> = {
  description,
  apply: (lesson, command) => {
    const sheet = existingSheet(lesson, command.sheet);
    const stage = existingStage(sheet, command.stage);
    const { notes, ...rest } = { ...stage, ...textsOf(command) };
    const changed: Stage = notes ? { ...rest, notes } : rest;
    return {
      document: withSheet(lesson, {
        ...sheet,
        stages: sheet.stages.map((other) => (other === stage ? changed : other)),
      }),
      inverse: {
        name: 'setStageText',
        sheet: sheet.id,
        stage: stage.id,
        ...(command.caption === undefined ? {} : { caption: stage.caption }),
        ...(command.notes === undefined ? {} : { notes: stage.notes ?? '' }),
      },
    };
  },
  touches: ({ sheet, stage, notes, caption }) => {
    const keys = [...(caption === undefined ? [] : ['caption']), ...(notes === undefined ? [] : ['notes'])];
    const path = `${sheet}/stages/${stage}`;
    return keys.length > 0 ? keys.map((key) => `${path}/${key}`) : [path];
  },
  sheet: ({ sheet }) => sheet,
};

const textsOf = ({ caption, notes }: SetStageText): { caption?: string; notes?: string } => ({
  ...(caption === undefined ? {} : { caption }),
  ...(notes === undefined ? {} : { notes }),
});
