import { told } from '../../told/told.js';
import { list, optional, sheetId, tagged } from '../../describe/describe.js';
import { CommandError } from '../../history/history.js';
import { notationDescription, type Notation } from '../../notation/notation.js';
import { lessonLimits, sheetDescription, titleText, type Sheet } from '../lesson.js';
import { validateLesson } from '../validate.js';
import type { LessonCommandMember } from './define.js';
import { inNotationOf } from './setNotation.js';

const description = tagged('name', 'setContents', {
  title: titleText,
  notation: optional(notationDescription),
  sheets: list(sheetDescription, lessonLimits.sheets, 1),
  gone: list(sheetId, lessonLimits.sheets),
});
export interface SetContents {
  readonly name: 'setContents';
  readonly title: string;
  readonly notation?: Notation;
  readonly sheets: readonly Sheet[];
  /** The sheets that go with it, so that it says everything that it changes. */
  readonly gone: readonly string[];
}

/** The whole lesson becomes what it was at another time. */
export const setContents: LessonCommandMember<SetContents> = {
  description,
  apply: (lesson, { title, notation, sheets, gone }) => {
    const kept = new Set(sheets.map(({ id }) => id));
    const missing = lesson.sheets.find(({ id }) => !kept.has(id) && !gone.includes(id));
    if (missing) throw new CommandError(told('sheetsElsewhere', { title: missing.title }));
    const document = inNotationOf({ ...lesson, title, sheets }, notation);
    validateLesson(document);
    const before = new Set(lesson.sheets.map(({ id }) => id));
    return {
      document,
      inverse: {
        name: 'setContents',
        title: lesson.title,
        ...(lesson.notation && { notation: lesson.notation }),
        sheets: lesson.sheets,
        gone: sheets.map(({ id }) => id).filter((id) => !before.has(id)),
      },
    };
  },
  touches: ({ sheets, gone }) => ['title', 'notation', ...sheets.map(({ id }) => id), ...gone],
  sheet: () => undefined,
};
