import { told } from '../../told/told.js';
import { list, sheetId, tagged } from '../../describe/describe.js';
import { CommandError } from '../../history/history.js';
import { lessonLimits, sheetDescription, titleText, type Sheet } from '../lesson.js';
import { validateLesson } from '../validate.js';
import type { LessonCommandMember } from './define.js';

const description = tagged('name', 'setContents', {
  title: titleText,
  sheets: list(sheetDescription, lessonLimits.sheets, 1),
  gone: list(sheetId, lessonLimits.sheets),
});
export interface SetContents {
  readonly name: 'setContents';
  readonly title: string;
  readonly sheets: readonly Sheet[];
  /** The sheets that go with it, so that it says everything that it changes. */
  readonly gone: readonly string[];
}

/** The whole lesson becomes what it was at another time. */
export const setContents: LessonCommandMember<SetContents> = {
  description,
  apply: (lesson, { title, sheets, gone }) => {
    const kept = new Set(sheets.map(({ id }) => id));
    const missing = lesson.sheets.find(({ id }) => !kept.has(id) && !gone.includes(id));
    if (missing) throw new CommandError(told('sheetsElsewhere', { title: missing.title }));
    const document = { ...lesson, title, sheets };
    validateLesson(document);
    const before = new Set(lesson.sheets.map(({ id }) => id));
    return {
      document,
      inverse: {
        name: 'setContents',
        title: lesson.title,
        sheets: lesson.sheets,
        gone: sheets.map(({ id }) => id).filter((id) => !before.has(id)),
      },
    };
  },
  touches: ({ sheets, gone }) => ['title', ...sheets.map(({ id }) => id), ...gone],
  sheet: () => undefined,
};
